<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Composer;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * The vehicle's own figures as they are typed: bores and limits in mm, masses in kg, torques by step; an empty field
 * stays typical.
 */
final readonly class FiguresForm
{
    public function __construct(private Fields $fields)
    {
    }

    /**
     * The quantity and the unit of a figure's field, by its name; null for a bare ratio.
     *
     * @return array{Quantity, Unit}|null
     */
    public static function unitOf(string $name): ?array
    {
        return match (true) {
            str_ends_with($name, '_mm'), str_ends_with($name, '_m') => [Quantity::Length, Unit::Millimetre],
            str_ends_with($name, '_kg') => [Quantity::Mass, Unit::Kilogram],
            str_ends_with($name, '_kpa') => [Quantity::Pressure, Unit::Kilopascal],
            str_ends_with($name, '_ml') => [Quantity::Volume, Unit::Millilitre],
            default => null,
        };
    }

    /** How many of the field's metric unit one of the core's is: radii are kept in metres and typed in mm. */
    public static function scaleOf(string $name): float
    {
        return str_ends_with($name, '_m') ? 1000.0 : 1.0;
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function read(InputBag $form): FiguresPayload
    {
        $figures = $torques = [];
        foreach ($form->all('figure') as $name => $typed) {
            $typed = \is_string($typed) ? trim($typed) : '';
            if ('' !== $typed && isset(Composer::FIGURES[$name])) {
                $figures[(string) $name] = $this->figure((string) $name, $typed);
            }
        }
        foreach ($form->all('torque') as $step => $typed) {
            if (\is_string($typed) && '' !== trim($typed)) {
                $measured = $this->fields->parse(trim($typed), Quantity::Torque, Unit::NewtonMetre);
                $torques[(string) $step] = Figure::of($measured);
            }
        }

        return [] !== $figures || [] !== $torques
            ? new FiguresPayload($figures, $torques)
            : throw InvalidInput::because('input.no-own-figure');
    }

    private function figure(string $name, string $typed): Figure
    {
        $scale = self::scaleOf($name);
        $kind = self::unitOf($name);
        if (null === $kind) {
            $ratio = str_replace(',', '.', $typed);
            $figure = is_numeric($ratio)
                ? new Figure($typed, '', (float) $ratio)
                : throw InvalidInput::because('input.ratio', ['typed' => $typed]);
        } else {
            $measured = $this->fields->parse($typed, ...$kind);
            $figure = new Figure($measured->typed, $measured->unit->value, $measured->core / $scale);
        }
        [$low, $high] = Composer::FIGURES[$name];
        if ($figure->core < $low || $figure->core > $high) {
            $range = ['low' => (string) ($low * $scale), 'high' => (string) ($high * $scale)];
            throw InvalidInput::because('input.figure-range', ['typed' => $typed] + $range);
        }

        return $figure;
    }
}
