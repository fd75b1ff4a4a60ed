<?php

declare(strict_types=1);

namespace App\Shop;

use Doctrine\DBAL\Connection;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Repair\Practice;
use Rodrel\Core\Shape;
use Symfony\Contracts\Service\ResetInterface;

/** The shop's own figures and choices: the settings file as it ships, and over it what the Shop page has changed. */
final class ShopSettings implements ResetInterface
{
    /** @var array<array-key, mixed> */
    private readonly array $shipped;
    /** @var array<array-key, mixed>|null */
    private ?array $data = null;

    public function __construct(
        private readonly Connection $database,
        private readonly Catalogue $catalogue,
        string $projectDir,
        string $settingsFile,
    ) {
        $path = str_starts_with($settingsFile, '/') ? $settingsFile : $projectDir.'/'.$settingsFile;
        $text = is_file($path) ? file_get_contents($path) : false;
        $data = \is_string($text) ? json_decode($text, true) : null;
        if (!\is_array($data)) {
            throw InvalidData::at(
                '',
                \sprintf('the settings file %s is missing or not JSON (%s)', $settingsFile, json_last_error_msg()),
            );
        }
        $this->shipped = $data;
    }

    public function reset(): void
    {
        $this->data = null;
    }

    public function isolation(): Settings
    {
        return Settings::fromShape($this->shape());
    }

    public function name(): string
    {
        return $this->shape()->text('name');
    }

    public function currency(): string
    {
        return $this->shape()->text('currency');
    }

    /** Where the shop's devices reach this machine, printed on labels; '' where it is the page's own. */
    public function address(): string
    {
        return $this->shape()->text('address', '');
    }

    public function timeZone(): \DateTimeZone
    {
        return new \DateTimeZone($this->shape()->text('time_zone'));
    }

    /** How this shop does what good technicians do differently. */
    public function practice(): Practice
    {
        $chosen = [];
        foreach ($this->shape()->in('schools')->keys() as $question) {
            $chosen[$question] = $this->shape()->in('schools')->text($question);
        }

        return $this->catalogue->schools->practice($chosen);
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        if (null === $this->data) {
            $row = $this->database->fetchOne('SELECT data FROM shop_setting WHERE id = 1');
            $own = \is_string($row) ? json_decode($row, true) : [];
            $this->data = [...$this->shipped, ...\is_array($own) ? $own : []];
        }

        return $this->data;
    }

    /**
     * @param array<string, mixed> $changes top-level keys of the settings file
     *
     * @throws InvalidData when the settings would not hold together any more; then nothing is changed
     */
    public function change(array $changes, string $by, \DateTimeImmutable $at): void
    {
        $next = [...$this->all(), ...$changes];
        Settings::fromShape(new Shape($next, '/shop'));
        $own = array_filter(
            $next,
            fn (mixed $value, int|string $key): bool => ($this->shipped[$key] ?? null) !== $value,
            \ARRAY_FILTER_USE_BOTH,
        );
        $this->database->executeStatement(
            'INSERT INTO shop_setting (id, data, changed_by, changed_at) VALUES (1, :data, :by, :at) ON CONFLICT '
                .'(id) DO UPDATE SET data = :data, changed_by = :by, changed_at = :at',
            ['data' => json_encode($own, \JSON_THROW_ON_ERROR), 'by' => $by, 'at' => $at->format(\DATE_ATOM)],
        );
        $this->data = $next;
    }

    private function shape(): Shape
    {
        return new Shape($this->all(), '/shop');
    }
}
