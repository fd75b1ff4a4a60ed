<?php

declare(strict_types=1);

namespace App\History;

use App\Job\Job;
use App\Job\JobLine;
use App\Job\JobLineRepository;
use App\Job\LineWords;
use App\Text\Say;
use App\Text\Units;
use App\Vehicle\Vehicle;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Measurement;
use Rodrel\Core\Job\Measurements;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vocabulary\Corner;

/** A vehicle's page: its jobs, what was measured over time, what was fitted and when, and what is open. */
final readonly class VehicleView
{
    public function __construct(
        private VehicleHistory $history,
        private JobLineRepository $lines,
        private LineWords $words,
        private Catalogue $catalogue,
        private Say $say,
        private Units $units,
    ) {
    }

    public function of(Vehicle $vehicle): VehiclePage
    {
        $all = $this->history->of($vehicle->id());
        $stories = array_column($all, 'story');
        $kind = $vehicle->kind();
        $layout = Layout::fromArray($this->catalogue->vehicle($kind->preset, $kind->parts));

        return new VehiclePage(
            id: (string) $vehicle->id(),
            unit: $kind->unit,
            kind: '' === $kind->preset ? $this->say->ui('vehicle-page.composed') : $this->preset($kind->preset),
            jobs: array_map(fn (array $one): array => $this->job($one['job']), array_reverse($all)),
            plots: [
                ...$this->linings($layout, Measurements::of($stories, $this->catalogue->checks)),
                ...$this->travel($stories),
            ],
            fitted: $this->fitted($stories),
            items: $this->items($all),
            figures: $this->figures($stories),
        );
    }

    private function preset(string $preset): string
    {
        return isset($this->catalogue->presets[$preset])
            ? $this->say->text('preset.'.$preset)
            : $this->say->ui('vehicle-page.composed');
    }

    /** @return array<string, mixed> */
    private function job(Job $job): array
    {
        $line = $this->lines->find($job->id());

        return [
            'id' => (string) $job->id(),
            'at' => $job->openedAt(),
            'complaint' => $line instanceof JobLine ? $this->words->complaint($line) : '',
            'stage' => $line instanceof JobLine ? $line->stage->value : '',
            'next' => $line instanceof JobLine ? $this->words->next($line) : '',
        ];
    }

    /** @return list<SmallPlot> */
    private function linings(Layout $layout, Measurements $measured): array
    {
        $plots = [];
        foreach (Corner::cases() as $corner) {
            $disc = $layout->brake($corner)->disc;
            $series = array_map(
                fn (Measurement $one): array => [
                    'at' => $one->at,
                    'value' => $one->deciding(),
                    'said' => $this->units->say(round($one->deciding(), 1), Quantity::Length)
                        .(null === $one->km ? ''
                            : ' · '.number_format((float) $one->km, 0, '.', "\u{00A0}")."\u{00A0}km"),
                ],
                $measured->series($disc ? Measuring::PadWear : Measuring::Shoe, $corner),
            );
            if ([] !== $series) {
                $plots[] = SmallPlot::of(
                    $this->say->ui($disc ? 'vehicle-page.pads' : 'vehicle-page.shoes', [
                        'place' => $this->say->place($corner->value),
                    ]),
                    $series,
                    $disc ? PadWear::LEAST_MM : Measuring::LEAST_SHOE_MM,
                );
            }
        }

        return $plots;
    }

    /**
     * @param list<Story> $stories
     *
     * @return list<SmallPlot> the firm pedal
     */
    private function travel(array $stories): array
    {
        $series = [];
        foreach ($stories as $story) {
            foreach ($story->entriesOf(ReadingPayload::class) as $entry) {
                $mm = 'pedal' === $entry->payload->check->id ? $entry->payload->numbers['travel'] ?? null : null;
                if (null !== $mm) {
                    $series[] = [
                        'at' => $entry->takenAt,
                        'value' => $mm->figure->core,
                        'said' => $this->units->say(round($mm->figure->core), Quantity::Length),
                    ];
                }
            }
        }

        return [] === $series ? [] : [SmallPlot::of($this->say->ui('vehicle-page.travel'), $series, null)];
    }

    /**
     * @param list<Story> $stories
     *
     * @return list<array{at: \DateTimeImmutable, what: string}>
     */
    private function fitted(array $stories): array
    {
        $fitted = [];
        foreach ($stories as $story) {
            foreach ($story->entriesOf(RepairedPayload::class) as $entry) {
                $fitted[] = ['at' => $entry->takenAt, 'what' => $this->say->work($entry->payload->group)];
            }
        }

        return array_reverse($fitted);
    }

    /**
     * @param list<array{job: Job, story: Story}> $all
     *
     * @return list<array{job: string, text: string, due: string}>
     */
    private function items(array $all): array
    {
        $items = [];
        foreach ($all as ['job' => $job, 'story' => $story]) {
            foreach ($story->openItems() as $entry) {
                $items[] = [
                    'job' => (string) $job->id(),
                    'text' => $this->say->item($entry->payload),
                    'due' => $entry->payload->due,
                ];
            }
        }

        return $items;
    }

    /**
     * @param list<Story> $stories
     *
     * @return list<array{name: string, figure: string, own: bool}> those that were typed for this vehicle
     */
    private function figures(array $stories): array
    {
        $figures = [];
        foreach ($stories as $story) {
            foreach ($story->figures() as $name => $value) {
                $key = 'figures.'.str_replace('_', '-', $name);
                $figures[$name] = ['name' => $this->say->ui($key), 'figure' => (string) $value, 'own' => true];
            }
        }

        return array_values($figures);
    }
}
