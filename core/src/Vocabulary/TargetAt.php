<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

use Rodrel\Core\InvalidData;

/** What an effect of a fault acts on in the model: `hose@lf`, `chamber@primary`, or `booster`, which is there once. */
final readonly class TargetAt implements \Stringable
{
    private function __construct(public string $kind, public ?Place $place)
    {
    }

    public static function of(string $kind, string|Place|Corner|null $place = null): self
    {
        return new self(
            $kind,
            match (true) {
                null === $place, $place instanceof Place => $place,
                $place instanceof Corner => Place::at($place),
                default => Place::of($place),
            },
        );
    }

    /** @throws InvalidData when it is neither a kind nor a kind at a place */
    public static function parse(string $text): self
    {
        $parts = explode('@', $text);
        if (\count($parts) > 2 || 1 !== preg_match('/^[a-z]+(-[a-z]+)*$/', $parts[0])) {
            throw InvalidData::at(
                '',
                \sprintf('"%s" is not a target, like hose@lf or booster', mb_substr($text, 0, 60)),
            );
        }

        return self::of($parts[0], $parts[1] ?? null);
    }

    /**
     * A target as a rule writes it, where the place may be a pattern.
     *
     * @return array{string, string|null} kind, and what stands behind it
     */
    public static function pattern(string $text): array
    {
        $parts = explode('@', $text, 2);

        return [$parts[0], $parts[1] ?? null];
    }

    public function __toString(): string
    {
        return $this->kind.(null === $this->place ? '' : '@'.$this->place->id);
    }
}
