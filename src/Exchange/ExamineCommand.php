<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\SourceHash;
use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Trial\Exam\Marks;
use Rodrel\Core\Trial\Exam\Paper;
use Rodrel\Core\Trial\Exam\Sitting;
use Rodrel\Core\Trial\Exam\Variants;
use Rodrel\Core\Trial\Shelf;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Plays jobs that were written down before anybody looked at a prediction.
 *
 * @phpstan-import-type Marked from Sitting
 */
#[AsCommand('rodrel:examine', 'Plays the written examination: what was right, how long it took, what was strange')]
final class ExamineCommand
{
    private const FOLDER = '/tests/Examination';
    /** Which harmless defect and which slip a variant has. */
    private const SEED = 7;
    private const FAR = 86400.0;
    private const MEMORY = '4G';

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Predictions $predictions,
        private readonly ShopSettings $shop,
        private readonly SourceHash $sources,
        #[Autowire('%kernel.project_dir%')]
        private readonly string $projectDir,
    ) {
    }

    public function __invoke(
        SymfonyStyle $io,
        #[Option('only jobs whose names begin so')] string $only = '',
        #[Option('as written, without the variants')] bool $written = false,
        #[Option('say every step')] bool $steps = false,
        #[Option('processes')] int $workers = 2,
        #[Option('which part of how many this process plays, as 0/2')] string $part = '',
        #[Option('keep every job as a line of JSON in this file')] string $lines = '',
    ): int {
        if ('' !== $part) {
            ini_set('memory_limit', self::MEMORY);
            foreach ($this->play($only, $written, $part) as $line) {
                $io->writeln((string) json_encode($line, \JSON_THROW_ON_ERROR), SymfonyStyle::OUTPUT_RAW);
            }

            return 0;
        }
        $since = microtime(true);
        foreach (array_keys($this->catalogue->presets) as $preset) {
            $this->predictions->compute($this->catalogue->vehicle($preset));
        }
        $played = $this->inParts($workers);
        usort($played, static fn (array $a, array $b): int => $a['id'] <=> $b['id']);
        foreach ($played as $one) {
            if ($steps || !\in_array($one['status'], ['right', 'let-go'], true) || [] !== $one['never']) {
                $never = [] === $one['never'] ? '' : '  never: '.implode(' ', $one['never']);
                $io->writeln(\sprintf(
                    '%-8s %-46s %4.0f/%-3.0f min  %2d acts, %d strange, %d again  %s (%s)%s',
                    $one['status'],
                    $one['id'],
                    $one['minutes'],
                    $one['technician'],
                    $one['acts'],
                    \count($one['strange']),
                    $one['repeats'],
                    $one['said'],
                    $one['right'],
                    $never,
                ));
            }
            foreach ($steps ? $one['trace'] : [] as $step) {
                $io->writeln('      '.$step);
            }
        }
        if ('' !== $lines) {
            file_put_contents($lines, implode("\n", array_map(json_encode(...), $played))."\n");
        }
        foreach (['as written' => false, 'variants' => true] as $title => $variants) {
            $of = array_values(array_filter(
                $played,
                static fn (array $one): bool => $variants === str_contains($one['id'], '~'),
            ));
            if ([] !== $of) {
                $rows = Marks::of($of);
                $io->table([$title, ''], array_map(null, array_keys($rows), array_values($rows)));
            }
        }
        $io->writeln(\sprintf('%.0f s in %d processes', microtime(true) - $since, $workers));

        return 0;
    }

    /** @return iterable<Marked> */
    private function play(string $only, bool $written, string $part): iterable
    {
        [$mine, $of] = array_map(intval(...), [...explode('/', $part), '1']);
        $file = fn (string $name): string => (string) file_get_contents($this->projectDir.self::FOLDER.'/'.$name);
        $paper = Paper::of(
            $file('jobs.txt'),
            $file('sound.txt'),
            $file('lists.json'),
            $this->catalogue,
            $this->shop->isolation(),
            new \DateTimeImmutable('2026-03-02 08:00:00'),
        );
        $layouts = [];
        foreach (array_keys($this->catalogue->presets) as $preset) {
            $layouts[$preset] = Layout::fromArray($this->catalogue->vehicle($preset));
        }
        $variants = new Variants($this->catalogue->checks, $layouts, self::SEED);
        $by = [];
        foreach ($paper->jobs as $job) {
            foreach (str_starts_with($job->id, $only) ? $variants->of($job) : [] as $n => [$one, $vehicle, $slips]) {
                if (!$written || 0 === $n) {
                    $by[$vehicle][] = [$one, $slips];
                }
            }
        }
        foreach ($by as $vehicle => $jobs) {
            $document = $this->catalogue->vehicle($vehicle);
            $layout = $layouts[$vehicle];
            $signature = $this->predictions->signature($layout) ?? throw new \RuntimeException('Warm it first.');
            $known = $this->predictions->sound($layout, $document) ?? throw new \RuntimeException('Warm it first.');
            $field = Field::of($this->catalogue->knowledge(), $layout, $signature);
            $keys = $this->catalogue->keys($this->sources->predicting());
            $shelf = new Shelf(
                new Prediction($layout, $this->catalogue->checks, $this->catalogue->complaints, $keys),
                $this->catalogue->faults,
            );
            foreach ($jobs as $n => [$job, $slips]) {
                if ($n % max(1, $of) !== $mine) {
                    continue;
                }
                yield $paper->sit($job, $slips, $field, $known, $shelf);
            }
        }
    }

    /** @return list<Marked> */
    private function inParts(int $workers): array
    {
        $parts = Parts::start($workers, $this->projectDir, self::MEMORY, self::FAR);
        $played = [];
        foreach ($parts as $part) {
            $part->wait();
            if (!$part->isSuccessful()) {
                throw new \RuntimeException('A part failed: '.$part->getErrorOutput().$part->getOutput());
            }
            foreach (array_filter(explode("\n", $part->getOutput())) as $line) {
                /** @var Marked $marked */
                $marked = json_decode($line, true, 512, \JSON_THROW_ON_ERROR);
                $played[] = $marked;
            }
        }

        return $played;
    }
}
