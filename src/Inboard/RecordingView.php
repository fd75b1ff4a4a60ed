<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Check\Sheet;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Road\Recording;
use Rodrel\Core\Road\RollerRun;
use Rodrel\Core\Road\WheelSpeeds;
use Rodrel\Core\Vocabulary\CheckAt;

/** What a recording shows: forces on rollers with their swing per turn, or four wheel speeds side by side. */
final readonly class RecordingView
{
    /** Of the two sides of an axle (share of the stronger; handbook of the trade: 0.2 to 0.3). */
    private const SIDES = 0.25;
    private const DRAWN_POINTS = 400;
    private const KINDS = ['lf' => 'read', 'rf' => 'other', 'lr' => 'lead', 'rr' => 'was'];

    public function __construct(private Say $say, private Units $units)
    {
    }

    public function of(LoadedJob $loaded, CheckAt $at, string $records, Recording $recording): RecordingPage
    {
        $radius = $loaded->layout->body->tyreRadiusM;

        return Sheet::ROLLER === $records
            ? $this->roller($at, $recording, RollerRun::of($recording, $radius))
            : $this->speeds($at, $recording, WheelSpeeds::of($recording, $radius));
    }

    public function wrong(CheckAt $at, InvalidData $wrong): RecordingPage
    {
        $where = str_replace(['/recording/line/', '/recording'], ['line ', ''], $wrong->path);
        $what = substr($wrong->getMessage(), \strlen($wrong->path) + 2);

        $said = $this->say->ui('' === $where ? 'recording.wrong' : 'recording.wrong-line', [
            'where' => str_replace('line ', '', $where),
            'what' => $what,
        ]);
        $nothing = ['head' => [], 'body' => []];

        return new RecordingPage(
            check: (string) $at,
            name: $this->say->check($at),
            plot: null,
            table: $nothing,
            said: [],
            fields: [],
            error: $said,
        );
    }

    private function roller(CheckAt $at, Recording $recording, RollerRun $run): RecordingPage
    {
        $body = $said = $fields = [];
        foreach (array_keys($recording->values) as $corner) {
            $swing = $run->swing($corner);
            $percent = null === $swing ? '' : (int) round(100.0 * $swing).' %';
            $force = $this->units->say($run->meanN($corner), Quantity::Force, Unit::Newton);
            $cells = [$force, '' === $percent ? '–' : $percent];
            $body[] = ['name' => Letters::up($this->say->place($corner)), 'cells' => $cells];
            $fields["number[$corner]"] = $force;
            $fields["noted[swing-$corner]"] = $percent;
            if (null !== $swing && $swing >= RollerRun::FELT) {
                $said[] = $this->say->ui($run->goesWithTheWheel($corner) ? 'recording.swings' : 'recording.jumps', [
                    'place' => $this->say->place($corner),
                    'percent' => $percent,
                ]);
            }
        }
        foreach ([['lf', 'rf'], ['lr', 'rr']] as [$left, $right]) {
            if (isset($recording->values[$left], $recording->values[$right])) {
                $most = max(1.0, $run->meanN($left), $run->meanN($right));
                $off = abs($run->meanN($left) - $run->meanN($right)) / $most;
                if ($off >= self::SIDES) {
                    $said[] = $this->say->ui('recording.sides', [
                        'place' => $this->say->place($run->meanN($left) < $run->meanN($right) ? $left : $right),
                        'percent' => (int) round(100.0 * $off).' %',
                    ]);
                }
            }
        }
        $plot = $this->plot($recording, $this->units->of(Quantity::Force, Unit::Newton)->value);

        return new RecordingPage(
            check: (string) $at,
            name: $this->say->check($at),
            plot: $plot->yTicks(
                Plot::steps(0.0, $this->most($recording)),
                fn (float $n): string => $this->units->figure($n, Quantity::Force, Unit::Newton),
            ),
            table: ['head' => [$this->say->ui('recording.mean'), $this->say->ui('recording.swing')], 'body' => $body],
            said: [] === $said ? [$this->say->ui('recording.roller-even')] : $said,
            fields: $fields,
        );
    }

    private function speeds(CheckAt $at, Recording $recording, WheelSpeeds $speeds): RecordingPage
    {
        $body = $said = $fields = [];
        foreach ($speeds->words() as $corner => $word) {
            $place = $this->say->place($corner);
            $body[] = [
                'name' => Letters::up($place),
                'cells' => [$this->say->word($at, $corner, $word), number_format($speeds->turns($corner), 1)],
            ];
            $fields["word[$corner]"] = $word;
            if ('even' !== $word) {
                $said[] = $this->say->ui('recording.'.$word, ['place' => $place]);
            }
        }
        foreach ($speeds->crossed() as $turned => $answered) {
            $said[] = $this->say->ui('recording.crossed', [
                'turned' => $this->say->place($turned),
                'answered' => $this->say->place($answered),
            ]);
        }
        $plot = $this->plot($recording, 'km/h');

        return new RecordingPage(
            check: (string) $at,
            name: $this->say->check($at),
            plot: $plot->yTicks(
                Plot::steps(0.0, $this->most($recording)),
                static fn (float $kmh): string => (string) $kmh,
            ),
            table: ['head' => [$this->say->ui('recording.signal'), $this->say->ui('recording.turns')], 'body' => $body],
            said: [] === $said ? [$this->say->ui('recording.speeds-even')] : $said,
            fields: $fields,
        );
    }

    private function plot(Recording $recording, string $unit): Plot
    {
        $times = $recording->times;
        $end = $times[\count($times) - 1];
        $most = 1.05 * $this->most($recording);
        $plot = new Plot([$times[0], $end], [$most, 0.0], $this->say->ui('recording.seconds'), $unit);
        $ticks = [];
        foreach (Plot::steps($times[0], $end) as $second) {
            $ticks[(string) $second] = (string) $second;
        }
        $plot->xTicks($ticks);
        $every = max(1, intdiv(\count($times), self::DRAWN_POINTS));
        foreach ($recording->values as $corner => $values) {
            $points = [];
            foreach ($values as $n => $value) {
                if (0 === $n % $every) {
                    $points[] = [$times[$n], $value];
                }
            }
            $plot->line($points, self::KINDS[$corner], Letters::up($this->say->place($corner)));
        }

        return $plot->apart();
    }

    private function most(Recording $recording): float
    {
        $most = 1.0;
        foreach ($recording->values as $values) {
            $most = max([$most, ...$values]);
        }

        return $most;
    }
}
