<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

/** Pieces of JSON Schema that payloads have in common. */
final readonly class Schema
{
    public const TEXT = ['type' => 'string', 'maxLength' => 2000];
    public const NUMBER = ['type' => 'number'];
    public const COUNT = ['type' => 'integer', 'minimum' => 0];
    public const FLAG = ['type' => 'boolean'];
    public const CORNER = ['enum' => ['lf', 'rf', 'lr', 'rr']];
    public const CHECK_AT = ['type' => 'string', 'pattern' => '^[a-z]+(-[a-z]+)*@[a-z]+(-[a-z]+)*$'];
    public const GROUP_AT = self::CHECK_AT;
    public const FIGURE = [
        'type' => 'object',
        'required' => ['typed', 'unit', 'core'],
        'properties' => ['typed' => self::TEXT, 'unit' => self::TEXT, 'core' => self::NUMBER],
    ];

    /**
     * @param array<string, mixed> $properties
     * @param list<string>|null $required all of them when left out
     *
     * @return array<string, mixed>
     */
    public static function object(array $properties, ?array $required = null): array
    {
        return [
            'type' => [] === $properties ? ['object', 'array'] : 'object',
            'required' => $required ?? array_keys($properties),
            'additionalProperties' => false,
            'properties' => [] === $properties ? new \stdClass() : $properties,
        ];
    }

    /**
     * @param array<string, mixed> $value
     *
     * @return array<string, mixed> an object whose keys are free, or the empty list that PHP writes for an empty one
     */
    public static function map(array $value): array
    {
        return ['type' => ['object', 'array'], 'additionalProperties' => $value, 'maxItems' => 0];
    }

    /**
     * @param array<string, mixed> $items
     *
     * @return array<string, mixed>
     */
    public static function list(array $items): array
    {
        return ['type' => 'array', 'items' => $items];
    }

    /**
     * @param list<string> $words
     *
     * @return array<string, mixed>
     */
    public static function words(array $words): array
    {
        return ['enum' => $words];
    }
}
