<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use App\Text\Units;
use Rodrel\Core\Quantity\InvalidMeasure;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Symfony\Component\HttpFoundation\InputBag;

/** The fields of a form, each with a complaint that says what to do. */
final readonly class Fields
{
    public const LONGEST = 500;
    private const MOST_CENTS = 10_000_000;
    private const MOST_COUNT = 999;

    public function __construct(private Units $units)
    {
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function measured(InputBag $form, string $key, Quantity $quantity, Unit $bare): Measured
    {
        return $this->parse($this->optional($form, $key), $quantity, $bare);
    }

    public function parse(string $typed, Quantity $quantity, Unit $bare): Measured
    {
        try {
            return Measured::parse($quantity, $typed, $this->units->of($quantity, $bare));
        } catch (InvalidMeasure $wrong) {
            throw InvalidInput::because($wrong->key, $wrong->parameters);
        }
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     * @param list<string> $allowed
     */
    public function choice(InputBag $form, string $key, array $allowed, string $complaint = 'input.choice'): string
    {
        $value = $this->optional($form, $key);

        return \in_array($value, $allowed, true)
            ? $value
            : throw InvalidInput::because($complaint, ['choices' => implode(', ', $allowed)]);
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function text(InputBag $form, string $key, string $complaint = 'input.missing'): string
    {
        $value = $this->optional($form, $key);

        return '' !== $value ? $value : throw InvalidInput::because($complaint, ['field' => $key]);
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @throws InvalidInput when it is longer than what is kept: nothing is cut without a word
     */
    public function optional(InputBag $form, string $key, int $most = self::LONGEST): string
    {
        $value = trim((string) $form->get($key, ''));
        $length = mb_strlen($value);
        if ($length > $most) {
            throw InvalidInput::because('input.too-long', ['length' => (string) $length, 'most' => (string) $most]);
        }

        return $value;
    }

    /**
     * Money as it is typed, in minor units; an empty field is none.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    public function cents(InputBag $form, string $key): int
    {
        $typed = str_replace([' ', ','], ['', '.'], $this->optional($form, $key));
        $cents = '' === $typed ? 0.0 : (is_numeric($typed) ? round(100.0 * (float) $typed) : -1.0);

        return $cents >= 0.0 && $cents <= self::MOST_CENTS
            ? (int) $cents
            : throw InvalidInput::because('input.spent');
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function count(InputBag $form, string $key): int
    {
        $typed = $this->optional($form, $key);

        return '' === $typed || (ctype_digit($typed) && (int) $typed <= self::MOST_COUNT)
            ? (int) $typed
            : throw InvalidInput::because('input.count', ['typed' => $typed]);
    }
}
