<?php

declare(strict_types=1);

namespace App\Exchange;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Foot;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\Supply;
use Rodrel\Core\Physics\Targets;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\TargetAt;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

/** One press on a simulated vehicle. Shapes in docs/formats. */
#[AsCommand('rodrel:simulate', 'Simulates one press on a vehicle, with or without a fault (JSON in and out)')]
final readonly class SimulateCommand extends JsonCommand
{
    /** What moves no pressure, torque or travel: it is read elsewhere. */
    private const ELSEWHERE = [
        'master/rear_seal' => 'it empties the reservoir, and moves no pressure here: rodrel:isolate reads it',
        'fluid/water' => 'it lowers the boiling point, and moves no pressure here: rodrel:isolate reads it',
    ];

    public function __construct(private Documents $documents, private Catalogue $catalogue)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('a file, or - for standard input')] string $request = '-',
    ): int {
        return $this->answer(
            $output,
            fn (): array => $this->simulate(new Shape($this->documents->read($request, 'simulate'))),
        );
    }

    /** @return array<string, mixed> */
    private function simulate(Shape $request): array
    {
        $preset = $request->text('preset');
        $layout = Layout::fromArray($this->catalogue->vehicle($preset));
        if (!$layout->reach()->isHydraulic()) {
            throw InvalidData::at('/preset', 'pressures of this kind are not modelled: take one whose foot makes them');
        }
        $effects = $this->effects($layout, $request);
        $this->checkThatItShows($layout, $effects);
        $at = $request->numbers('at_s');
        sort($at);
        $foot = Foot::press($request->number('foot_n'), 0.4, $request->number('hold_s', 3.0));
        $kpa = $request->optionalNumber('vacuum_kpa');
        $supply = null === $kpa ? Supply::engine() : Supply::of($kpa);
        $program = new Program('request', $foot, [] !== $at ? $at : [3.4], 1.0, $supply);
        $run = (new VehicleSimulator($layout))->run($program, $effects);
        $samples = [];
        foreach ($program->sampleAt as $n => $t) {
            $corners = [];
            foreach (Corner::cases() as $corner) {
                $corners[$corner->value] = [
                    'kpa' => round($run->wheelKpa($corner, $n), 3),
                    'torque_nm' => round($run->torqueNm($corner, $n), 3),
                ];
            }
            $samples[] = [
                't_s' => $t,
                'foot_n' => round($foot->at($t), 3),
                'travel_mm' => round($run->travelMm($n), 3),
                'corners' => $corners,
            ];
        }

        return ['format' => 1, 'preset' => $preset, 'samples' => $samples];
    }

    /** @throws InvalidData where an effect would move none of the figures that are asked for */
    private function checkThatItShows(Layout $layout, Effects $effects): void
    {
        foreach (self::ELSEWHERE as $target => $why) {
            [$kind, $parameter] = explode('/', $target);
            if (0.0 !== $effects->value($kind, null, $parameter, 0.0)) {
                throw InvalidData::at('/effects/'.$target, $why);
            }
        }
        foreach (Corner::cases() as $corner) {
            $extra = $effects->value('wheel', $corner, 'extra_clearance', 0.0);
            if ($layout->brake($corner)->cylinder->clearanceMl + $extra < 0.0) {
                throw InvalidData::at(
                    '/effects/'.TargetAt::of('wheel', $corner).'/extra_clearance',
                    'it would leave less clearance than none: take less away',
                );
            }
        }
    }

    /** @throws InvalidData when this vehicle cannot have such a fault or effect */
    private function effects(Layout $layout, Shape $request): Effects
    {
        $own = array_map(static fn (Shape $target): array => $target->numberMapSelf(), $request->each('effects'));
        $effects = new Effects($own);
        Targets::in($layout)->check($effects, '/effects');
        if (!$request->has('fault')) {
            return $effects;
        }
        $fault = $request->in('fault');
        $grade = (int) $fault->number('grade', 0.0);
        foreach (Particles::of($this->catalogue->faults, $layout) as $particle) {
            if ($particle->suspect->is($fault->text('suspect')) && 0 === $grade--) {
                return $particle->effects->with($effects);
            }
        }
        $suspect = $fault->text('suspect');
        throw InvalidData::at('/fault', \sprintf('this vehicle cannot have "%s" of that grade', $suspect));
    }
}
