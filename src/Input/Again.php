<?php

declare(strict_types=1);

namespace App\Input;

/** What was typed, for showing a refused form again: texts as they are, and nothing where a text should have been. */
final readonly class Again
{
    /**
     * @param array<array-key, mixed> $form as it was sent
     * @param list<string> $rows fields that hold rows of texts
     *
     * @return array<string, mixed>
     */
    public static function of(array $form, array $rows = []): array
    {
        $again = [];
        foreach ($form as $key => $value) {
            if (\is_scalar($value)) {
                $again[(string) $key] = $value;
            } elseif (\is_array($value) && \in_array((string) $key, $rows, true)) {
                $again[(string) $key] = array_map(
                    static fn (mixed $row): mixed => \is_array($row) ? self::of($row) : (\is_scalar($row) ? $row : ''),
                    $value,
                );
            }
        }

        return $again;
    }
}
