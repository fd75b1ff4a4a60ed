<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\SourceHash;
use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Trial\Advised;
use Rodrel\Core\Trial\AtRandom;
use Rodrel\Core\Trial\ByTheBook;
use Rodrel\Core\Trial\Clairvoyant;
use Rodrel\Core\Trial\Departure;
use Rodrel\Core\Trial\Draw;
use Rodrel\Core\Trial\MostBits;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\Policy;
use Rodrel\Core\Trial\Result;
use Rodrel\Core\Trial\Shelf;
use Rodrel\Core\Trial\Tally;
use Rodrel\Core\Trial\World;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;

/** Plays jobs at drawn vehicles whose fault only the count knows, and says how well each way of working did. */
#[AsCommand('rodrel:judge', 'Judges the advice on drawn vehicles against other ways of working')]
final class JudgeCommand
{
    private const POLICIES = [
        Advised::class,
        ByTheBook::class,
        AtRandom::class,
        MostBits::class,
        Clairvoyant::class,
    ];
    /** Ways of working that take long are tried on one vehicle in so many. */
    private const ONE_IN = ['random' => 4, 'most-bits' => 2, 'clairvoyant' => 10];
    /** Verdicts that name a repair for certain. */
    private const FINDINGS = ['threshold', 'seen'];
    private const FAR = 86400.0;
    private const MEMORY = '4G';
    private const LISTEN_US = 50_000;

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Predictions $predictions,
        private readonly ShopSettings $shop,
        private readonly SourceHash $sources,
        private readonly string $projectDir,
    ) {
    }

    /**
     * @param list<string> $policy
     * @param list<string> $depart
     */
    public function __invoke(
        SymfonyStyle $io,
        #[Option('vehicles drawn')] int $vehicles = 400,
        #[Option('the same seed draws the same vehicles')] int $seed = 1,
        #[Option('share of rows answered wrongly')] float $wrong = 0.02,
        #[Option('faults in each vehicle, 1 or 2')] int $faults = 1,
        #[Option('rodrel, by-the-book, random, most-bits, clairvoyant; all when left out')] array $policy = [],
        #[Option('per-minute, ahead or bits: how checks are held against each other')] string $scoring = '',
        #[Option('signs, priors, physics, innocent, outside, figures, slips, or all: how the World differs')]
        array $depart = [],
        #[Option('processes')] int $workers = 2,
        #[Option('which part of how many this process plays, as 0/2')] string $part = '',
        #[Option('keep every job as a line of JSON in this file')] string $lines = '',
    ): int {
        $known = array_map(static fn (string $class): string => $class::id(), self::POLICIES);
        if ([] !== array_diff($policy, $known) || $vehicles < 1 || !\in_array($faults, [1, 2], true)) {
            $io->error('Policies are '.implode(', ', $known).'; at least one vehicle, one or two faults.');

            return 2;
        }
        $policy = [] === $policy ? $known : $policy;
        $departures = self::departures($depart);
        if (null === $departures) {
            $io->error('Departures are all, '.implode(', ', array_column(Departure::cases(), 'value')).'.');

            return 2;
        }
        $world = new World($departures);
        $settings = ('' === $scoring ? [] : ['scoring' => $scoring]) + $this->shop->all();
        if ('' !== $part) {
            // the pairs of a preset that was played often take their room
            ini_set('memory_limit', self::MEMORY);
            foreach ($this->play($vehicles, $seed, $wrong, $faults, $policy, $settings, $world, $part) as $line) {
                $io->writeln((string) json_encode($line), SymfonyStyle::OUTPUT_RAW);
            }

            return 0;
        }
        $since = microtime(true);
        foreach (array_keys($this->catalogue->presets) as $preset) {
            $this->predictions->compute($this->catalogue->vehicle($preset));
        }
        $results = $this->inParts($workers, $lines);
        $this->print($io, $results, \sprintf('%d vehicles, %.0f %% wrong answers', $vehicles, 100.0 * $wrong));
        $io->writeln(\sprintf('%.0f s in %d processes', microtime(true) - $since, $workers));

        return 0;
    }

    /**
     * Starts this command again in parts.
     *
     * @return list<array<string, mixed>>
     */
    private function inParts(int $workers, string $lines): array
    {
        $parts = Parts::start($workers, $this->projectDir, self::MEMORY, self::FAR);
        if ('' !== $lines) {
            file_put_contents($lines, '');
        }
        $results = [];
        $begun = array_fill_keys(array_keys($parts), '');
        do {
            usleep(self::LISTEN_US);
            $runs = false;
            // all of them are listened to at once: one whose output nobody takes would stand still
            foreach ($parts as $n => $part) {
                $runs = $part->isRunning() || $runs;
                $said = explode("\n", $begun[$n].$part->getIncrementalOutput());
                $begun[$n] = array_pop($said);
                foreach (array_filter($said) as $line) {
                    $results[] = (array) json_decode($line, true, 512, \JSON_THROW_ON_ERROR);
                    // a run that is stopped leaves what it had
                    '' === $lines ? null : file_put_contents($lines, $line."\n", \FILE_APPEND);
                }
            }
        } while ($runs);
        foreach ($parts as $part) {
            if (!$part->isSuccessful()) {
                throw new \RuntimeException('A part failed: '.$part->getErrorOutput());
            }
        }

        return $results;
    }

    /**
     * @param list<string> $policies
     * @param array<array-key, mixed> $settings
     *
     * @return iterable<array<string, mixed>>
     */
    private function play(
        int $vehicles,
        int $seed,
        float $wrong,
        int $faults,
        array $policies,
        array $settings,
        World $world,
        string $part,
    ): iterable {
        [$mine, $of] = array_map(intval(...), [...explode('/', $part), '1']);
        $day = new \DateTimeImmutable('2026-03-02 08:00:00');
        $documents = $world->documents($this->documents());
        $draw = new Draw(Catalogue::fromArray($documents), $documents, $settings, $day, $world);
        $untilCured = !$world->isModelled();
        $presets = array_keys($this->catalogue->presets);
        $clock = static fn (): float => hrtime(true) / 1e6;
        // one preset after the other, so that its pairs are in memory once
        foreach ($presets as $p => $preset) {
            $document = $this->catalogue->vehicle($preset);
            $layout = Layout::fromArray($document);
            $signature = $this->predictions->signature($layout) ?? throw new \RuntimeException('Warm it first.');
            $sound = $this->predictions->sound($layout, $document) ?? throw new \RuntimeException('Warm it first.');
            $field = Field::of($this->catalogue->knowledge(), $layout, $signature);
            $file = $this->projectDir.'/var/signatures/pairs-'.$preset.'-'.$mine.'.json';
            $shelf = $this->shelf($layout, $file);
            for ($i = $p; $i < $vehicles; $i += \count($presets)) {
                if (intdiv($i, \count($presets)) % max(1, $of) !== $mine) {
                    continue;
                }
                foreach (self::POLICIES as $class) {
                    $skipped = 0 !== intdiv($i, \count($presets) * $of) % (self::ONE_IN[$class::id()] ?? 1);
                    if ($skipped || !\in_array($class::id(), $policies, true)) {
                        continue;
                    }
                    $vehicle = $draw->vehicle($seed * 1_000_003 + $i, $preset, $faults, $wrong);
                    // pairs are Rodrel's own; the others only stop by what single faults make of the readings
                    $pairs = Advised::class === $class ? $shelf : null;
                    $play = new Play($this->catalogue, $layout, $sound, $field, $vehicle, $pairs);
                    $policy = $this->policy($class);
                    $result = Result::of($policy, $play, $vehicle, $this->catalogue->repairs, $clock, $untilCured);
                    yield ['policy' => $class::id(), 'vehicle' => $i] + $result->toArray();
                }
            }
            $this->keep($shelf, $layout, $file);
            unset($shelf, $play);
        }
    }

    /**
     * @param list<string> $names
     *
     * @return list<Departure>|null null where one is unknown
     */
    private static function departures(array $names): ?array
    {
        if (['all'] === $names) {
            return Departure::cases();
        }
        $departures = [];
        foreach ($names as $name) {
            $departures[] = Departure::tryFrom($name);
        }

        return \in_array(null, $departures, true) ? null : $departures;
    }

    /** @param class-string<Policy> $class */
    private function policy(string $class): Policy
    {
        return new $class();
    }

    private function shelf(Layout $layout, string $file): Shelf
    {
        $keys = $this->catalogue->keys($this->sources->predicting());
        $prediction = new Prediction($layout, $this->catalogue->checks, $this->catalogue->complaints, $keys);
        $kept = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;
        $pairs = [];
        if (\is_array($kept) && ($kept['key'] ?? '') === $keys->all($layout)) {
            foreach ($kept['pairs'] as $name => $pair) {
                $pairs[(string) $name] = FaultSignature::fromArray($pair);
            }
        }

        return new Shelf($prediction, $this->catalogue->faults, $pairs);
    }

    private function keep(Shelf $shelf, Layout $layout, string $file): void
    {
        if ($shelf->computed > 0) {
            $pairs = array_map(static fn (FaultSignature $pair): array => $pair->toArray(), $shelf->pairs);
            $key = $this->catalogue->keys($this->sources->predicting())->all($layout);
            @mkdir(\dirname($file), 0o775, true);
            file_put_contents(
                $file,
                json_encode(['key' => $key, 'pairs' => $pairs], \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR),
            );
        }
    }

    /** @return array<string, array<mixed>> */
    private function documents(): array
    {
        $documents = [];
        foreach (Catalogue::FILES as $file) {
            $text = (string) file_get_contents($this->projectDir.'/core/data/'.$file.'.json');
            $documents[$file] = (array) json_decode($text, true, 512, \JSON_THROW_ON_ERROR);
        }

        return $documents;
    }

    /**
     * @param array<string, mixed> $job
     * @param list<string> $ends
     */
    private static function is(array $job, array $ends): bool
    {
        return \in_array($job['end'] ?? '', $ends, true) && '' !== $job['signed'];
    }

    /** @param list<array<string, mixed>> $results */
    private function print(SymfonyStyle $io, array $results, string $title): void
    {
        $io->title($title);
        $by = [];
        foreach ($results as $result) {
            $by[\is_string($result['policy'] ?? null) ? $result['policy'] : ''][] = $result;
        }
        $table = [];
        foreach ($by as $policy => $jobs) {
            foreach ($this->columns($jobs) as $column => $said) {
                $table[$column][0] = $column;
                $table[$column][$policy] = $said;
            }
        }
        $io->table(['', ...array_keys($by)], array_map(array_values(...), array_values($table)));
    }

    /**
     * @param list<array<string, mixed>> $jobs
     *
     * @return array<string, string>
     */
    private function columns(array $jobs): array
    {
        $n = \count($jobs);
        $share = static function (callable $is) use ($jobs, $n): string {
            $found = Tally::share(\count(array_filter($jobs, $is)), $n);

            return \sprintf('%.1f %% (%.1f–%.1f)', 100 * $found['share'], 100 * $found['low'], 100 * $found['high']);
        };
        $mean = static function (string $key, float $by = 1.0) use ($jobs): string {
            $found = Tally::mean(array_map(static fn (array $job): float => (float) $job[$key] / $by, $jobs));

            return \sprintf(
                '%.1f (%.1f–%.1f), median %.1f',
                $found['mean'],
                $found['low'],
                $found['high'],
                $found['median'],
            );
        };
        $sum = static fn (string $key): string => (string) array_sum(array_column($jobs, $key));
        $decisions = Tally::mean(
            array_values(array_map(floatval(...), array_merge(...array_column($jobs, 'decisions')))),
        );

        $of = static function (callable $among, string $key) use ($jobs): string {
            $some = array_filter($jobs, $among);
            $hits = array_filter($some, static fn (array $job): bool => (bool) $job[$key]);
            $found = Tally::share(\count($hits), \count($some));

            return \sprintf('%.1f %% of %d', 100 * $found['share'], \count($some));
        };
        $findings = array_values(array_map(
            static fn (array $job): array => [(float) $job['mass'], (bool) $job['right']],
            array_filter($jobs, static fn (array $job): bool => '' !== $job['signed']),
        ));
        $fit = Tally::calibration($findings);

        return [
            'jobs' => (string) $n,
            'right group, faults of the catalogue' => $of(
                static fn (array $job): bool => !$job['outside'],
                'right',
            ),
            'right group, other faults' => $of(static fn (array $job): bool => (bool) $job['outside'], 'right'),
            'right of findings' => $of(static fn (array $job): bool => self::is($job, self::FINDINGS), 'right'),
            'right of openings' => $of(static fn (array $job): bool => self::is($job, ['open-and-look']), 'right'),
            'right of trials' => $of(static fn (array $job): bool => self::is($job, ['trial']), 'right'),
            'cured in the end' => $share(static fn (array $job): bool => (bool) $job['cured']),
            'calibration error, log score, Brier' => \sprintf(
                '%.3f, %.3f, %.3f over %d',
                $fit['error'],
                $fit['log'],
                $fit['brier'],
                \count($findings),
            ),
            'right group' => $share(static fn (array $job): bool => (bool) $job['right']),
            'right place and mode' => $share(static fn (array $job): bool => (bool) $job['mode']),
            'second named after the first' => $share(static fn (array $job): bool => (bool) $job['second']),
            'minutes' => $mean('minutes'),
            'money to cure' => $mean('cents', 100.0),
            'wrong parts per 100' => \sprintf(
                '%.1f',
                100.0 * array_sum(array_column($jobs, 'wrongParts')) / max(1, $n),
            ),
            'believed 90 % or more, and wrong' => $share(
                static fn (array $job): bool => $job['mass'] >= 0.9 && !$job['right'] && '' !== $job['signed'],
            ),
            'never ending' => $share(static fn (array $job): bool => 'endless' === $job['end']),
            'trial repair' => $share(static fn (array $job): bool => 'trial' === $job['end']),
            'seen wrong, whatever the complaint' => $share(
                static fn (array $job): bool => 'seen' === $job['end'],
            ),
            'not shown' => $share(static fn (array $job): bool => 'not-shown' === $job['end']),
            'undecided, stays' => $share(static fn (array $job): bool => 'stays' === $job['end']),
            'false contradictions' => $share(static fn (array $job): bool => (bool) $job['falselyOdd']),
            'forbidden' => $sum('forbidden'),
            'unsafe given the truth' => $sum('unsafe'),
            'up and down' => $mean('lifts'),
            'checks' => $mean('acts'),
            'ms a decision' => \sprintf('median %.0f', $decisions['median']),
        ];
    }
}
