<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RoundPayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * Turns a walked round into its entry: what was answered by name, what "nothing else odd" covers, and what was shown
 * and left open.
 */
final readonly class RoundForm
{
    public function __construct(private Catalogue $catalogue, private Fields $fields, private ReadingForm $readings)
    {
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @throws InvalidInput of the check that it is about
     */
    public function read(InputBag $form): RoundPayload
    {
        $covers = $form->getBoolean('covered');
        $answers = $left = [];
        foreach ($form->all('sheet') as $name => $sheet) {
            $at = \is_string($name) ? CheckAt::tryParse($name) : null;
            if (null === $at || !\is_array($sheet) || !$this->catalogue->checks->has($at->id)) {
                throw InvalidInput::because('input.row');
            }
            try {
                [$answer, $open] = $this->answer($at, $sheet, $covers, $form->getBoolean('sure'));
            } catch (InvalidInput $wrong) {
                throw $wrong->of($at);
            }
            $answers = null === $answer ? $answers : [...$answers, $answer];
            $left += [] === $open ? [] : [(string) $at => $open];
        }
        if ([] === $answers) {
            throw InvalidInput::because('input.row');
        }

        return new RoundPayload($this->fields->text($form, 'round'), $answers, $left);
    }

    /**
     * @param array<array-key, mixed> $sheet of one check
     *
     * @return array{ReadingPayload|null, list<string>} what was answered, and the rows that were left open
     */
    private function answer(CheckAt $at, array $sheet, bool $covers, bool $sure): array
    {
        $words = self::given($sheet, 'word');
        $numbers = self::given($sheet, 'number');
        $covered = $open = [];
        foreach ($this->catalogue->checks->of($at)->rows as $row => $definition) {
            $field = '' === (string) $row ? '0' : (string) $row;
            $good = self::given($sheet, 'good')[$field] ?? null;
            if (isset($words[$field]) || isset($numbers[$field]) || !isset(self::given($sheet, 'shown')[$field])) {
                continue;
            }
            if ($covers && null !== $good && null === $definition->observer->typed) {
                $words[$field] = $good;
                $covered[] = (string) $row;
            } else {
                $open[] = (string) $row;
            }
        }
        if ([] === $words && [] === $numbers) {
            return [null, $open];
        }
        /** @var InputBag<bool|float|int|string> $form */
        $form = new InputBag([
            'check' => (string) $at,
            'word' => $words,
            'number' => $numbers,
            'sure' => $sure ? '1' : '',
        ]);

        return [$this->readings->read($form)->covering($covered), $open];
    }

    /**
     * @param array<array-key, mixed> $sheet
     *
     * @return array<string, string>
     */
    private static function given(array $sheet, string $key): array
    {
        $given = [];
        foreach (\is_array($sheet[$key] ?? null) ? $sheet[$key] : [] as $row => $one) {
            if (\is_string($one) && '' !== trim($one)) {
                $given[(string) $row] = $one;
            }
        }

        return $given;
    }
}
