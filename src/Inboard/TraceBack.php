<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Ladder;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/**
 * The chain from a stuck wheel to the pedal: what was read at each joint, and what the leading suspects would have left
 * there. The suspects are simulated for it, one short press each.
 */
final readonly class TraceBack
{
    /** From here on something is trapped (kPa; estimate). */
    private const TRAPPED_KPA = 30.0;
    /** The check that opens each joint. */
    private const OPENS = [
        'wheel' => 'bleeder-open',
        'hose-top' => 'hose-top',
        'modulator-outlet' => 'modulator-outlet',
        'master-outlet' => 'master-outlet',
    ];

    public function __construct(
        private Leading $leading,
        private Catalogue $catalogue,
        private Say $say,
        private Units $units,
    ) {
    }

    public function of(LoadedJob $loaded, Corner $corner): TraceBackPage
    {
        $words = $rungs = [];
        foreach (self::OPENS as $joint => $check) {
            $at = CheckAt::of($check, Place::at($corner));
            if (!$this->catalogue->checks->of($at)->places->has($loaded->layout, $at->place)) {
                continue;
            }
            $word = $loaded->state->situation->outcome($at, '');
            $words[$joint] = $word ?? '';
            $rungs[] = [
                'joint' => $joint,
                'name' => $this->say->ui('trace.joint-'.$joint),
                'check' => (string) $at,
                'minutes' => (int) ceil($this->catalogue->checks->of($at)->demand->minutes),
                'said' => null === $word ? null : $this->say->word($at, '', $word),
            ];
        }
        $ladder = Ladder::of($words);
        foreach ($rungs as $n => $rung) {
            $freed = $ladder->freed[$rung['joint']];
            $rungs[$n]['state'] = null === $freed ? 'shut' : ($freed ? 'frees' : 'stuck');
        }

        return new TraceBackPage(
            corner: $corner->value,
            where: $this->say->place($corner->value),
            wheels: array_map(static fn (Corner $one): string => $one->value, Corner::cases()),
            held: array_map(
                static fn (Corner $one): string => $one->value,
                $loaded->state->situation->held($this->catalogue->checks),
            ),
            rungs: $rungs,
            said: $this->say->ui('trace.said.'.$ladder->said(), [
                'where' => $this->say->place($corner->value),
                'below' => null === $ladder->below ? '' : $this->say->ui('trace.joint-'.$ladder->below->value),
                'above' => null === $ladder->above ? '' : $this->say->ui('trace.joint-'.$ladder->above->value),
            ]),
            between: 'between' === $ladder->said()
                ? [$this->position($rungs, $ladder->below), $this->position($rungs, $ladder->above)]
                : null,
            unit: $this->units->of(Quantity::Pressure, Unit::Kilopascal)->value,
            left: $this->left($loaded, $corner, $rungs),
            disc: $loaded->layout->brake($corner)->disc,
            modulator: $loaded->layout->pipework->modulator,
        );
    }

    /** @param list<array<string, mixed>> $rungs */
    private function position(array $rungs, ?Joint $joint): int
    {
        return (int) array_search($joint?->value, array_column($rungs, 'joint'), true);
    }

    /**
     * @param list<array<string, mixed>> $rungs
     *
     * @return list<array{name: string, mass: float, cells: list<array{said: string, full: bool}>}>
     */
    private function left(LoadedJob $loaded, Corner $corner, array $rungs): array
    {
        $leading = $this->leading->of($loaded, []);
        if ([] === $leading) {
            return [];
        }
        $sound = Subject::sane(
            new Instruments($loaded->layout),
            $this->catalogue->checks,
            $this->catalogue->complaints,
        );
        $left = [];
        foreach ($leading as $one) {
            $few = Particles::few($this->catalogue->faults, $loaded->layout, $one['suspect']);
            $kpa = $sound->with($few[0]->effects)->leftAtJoints($corner);
            $left[] = [
                'name' => $one['name'],
                'mass' => $one['mass'],
                'cells' => array_map(
                    fn (array $rung): array => [
                        'said' => $this->kpa($kpa[$rung['joint']] ?? 0.0),
                        'full' => ($kpa[$rung['joint']] ?? 0.0) >= self::TRAPPED_KPA,
                    ],
                    $rungs,
                ),
            ];
        }

        return $left;
    }

    private function kpa(float $kpa): string
    {
        return $this->units->figure(round($kpa), Quantity::Pressure, Unit::Kilopascal);
    }
}
