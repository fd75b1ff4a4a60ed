<?php

declare(strict_types=1);

namespace App\Bench;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** A vehicle's circuits at the size of a thumb, with the suspected places marked. */
final readonly class Thumbnail
{
    private const AT = ['lf' => [14, 24], 'rf' => [72, 24], 'lr' => [14, 66], 'rr' => [72, 66]];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param array<string, mixed> $parts of a composed vehicle
     * @param array<string, float> $hotSpots mass by place
     *
     * @return array{corners: list<array{x: int, y: int, hot: bool, drum: bool}>, paths: list<array{d: string,
     *     second: bool}>, master: bool}
     */
    public function of(string $preset, array $parts, array $hotSpots): array
    {
        $layout = Layout::fromArray($this->catalogue->vehicle($preset, $parts));
        $corners = [];
        foreach (Corner::cases() as $corner) {
            [$x, $y] = self::AT[$corner->value];
            $hot = isset($hotSpots[$corner->value]) || isset($hotSpots[Place::axleOf($corner)->id]);
            $corners[] = ['x' => $x, 'y' => $y, 'hot' => $hot, 'drum' => !$layout->brake($corner)->disc];
        }
        $paths = [];
        foreach ($layout->chambers as $n => $chamber) {
            foreach ($chamber->wheels as $corner) {
                [$x, $y] = self::AT[$corner->value];
                $from = 0 === $n ? 40 : 46;
                $end = $x < 43 ? $x + 10 : $x - 10;
                $paths[] = [
                    'd' => \sprintf(
                        'M%d 28V%dH%d',
                        $from,
                        $corner->isFront() ? 36 : $y,
                        $corner->isFront() ? $end - ($x < 43 ? 4 : -4) : $end,
                    ).($corner->isFront() ? \sprintf('V%dH%d', $y, $end) : ''),
                    'second' => 0 !== $n,
                ];
            }
        }

        return ['corners' => $corners, 'paths' => $paths, 'master' => isset($hotSpots[Place::VEHICLE])];
    }
}
