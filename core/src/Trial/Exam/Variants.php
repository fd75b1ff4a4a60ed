<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Trial\Luck;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * More jobs out of the written ones: the other side of the vehicle, another kind of vehicle, a harmless defect beside
 * the fault, one answer that misses it. Drawn from a seed and the written text alone.
 */
final readonly class Variants
{
    /**
     * Defects that are common on vehicles whose complaint comes from elsewhere, and kinds of complaint that they could
     * explain.
     */
    private const HARMLESS = [
        ['fluid-test water=wet', ['fades', 'long', 'weak', 'drag-all']],
        ['hose-look@lr cracked', ['drag-drum', 'drag-all', 'sink', 'level', 'ground', 'long', 'lock']],
        ['tyres unlike', ['pull', 'pull-first', 'shake', 'noise']],
        ['pins@lf pins=stiff', ['drag-wheel', 'drag-all', 'pull', 'pull-first', 'noise', 'weak', 'fades']],
        ['parking-clicks many', ['parking', 'long', 'drag-drum', 'red']],
        ['rotor-look@rf hub=rusty', ['shake', 'long', 'noise']],
        ['limits@rf past-limit', ['red', 'wear', 'noise', 'shake', 'weak', 'level']],
        ['pads-look@rf glazed', ['weak', 'fades', 'pull', 'noise', 'drag-wheel', 'lock']],
    ];

    /** @param array<string, Layout> $layouts by preset */
    public function __construct(private Checks $checks, private array $layouts, private int $seed)
    {
    }

    /**
     * @return list<array{Written, string, CheckAt|null}> job, vehicle and the check that slips
     */
    public function of(Written $job): array
    {
        $all = [[$job, $job->told->vehicles[0], null]];
        $other = $job->told->vehicles[1] ?? $job->told->vehicles[0];
        $third = $job->told->vehicles[2] ?? $job->told->vehicles[0];
        $all[] = [$job->mirrored($job->id.'~other-side', $other), $other, null];
        $luck = Luck::about($this->seed, 'harmless '.$job->id);
        $can = array_values(array_filter(
            self::HARMLESS,
            fn (array $one): bool => !\in_array($job->truth->kind, $one[1], true)
                && $this->isNew($job, $third, $one[0]),
        ));
        if ([] !== $can) {
            $line = $can[$luck->pick(array_fill(0, \count($can), 1.0))][0];
            $all[] = [$job->with($job->id.'~harmless', $third, [$line]), $third, null];
        }
        $told = Answers::told($this->checks, $this->layouts[$job->told->vehicles[0]], $job);
        if ([] !== $told && [] !== $job->truth->right) {
            $slips = $told[$luck->pick(array_fill(0, \count($told), 1.0))];
            $all[] = [$job->with($job->id.'~slip', $job->told->vehicles[0], []), $job->told->vehicles[0], $slips];
        }

        return $all;
    }

    /** The job does not tell of that check itself, and the vehicle has it. */
    private function isNew(Written $job, string $vehicle, string $line): bool
    {
        $check = CheckAt::anywhere(Written::words($line)[0]);
        $there = array_filter(
            $this->checks->of($check)->everywhere($this->layouts[$vehicle]),
            static fn (CheckAt $one): bool => $one->is($check),
        );
        $own = Answers::told($this->checks, $this->layouts[$vehicle], $job);

        return [] !== $there && [] === array_filter($own, static fn (CheckAt $told): bool => $told->id === $check->id);
    }
}
