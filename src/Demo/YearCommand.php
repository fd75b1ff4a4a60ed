<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\UserRepository;
use App\Exchange\BringIn;
use App\Exchange\JobDocument;
use App\Exchange\ShopSeal;
use App\Job\Projector;
use App\Watch\DemoShop;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Uuid;

/**
 * A busy shop's year beside the demo, to time lists and searches with: the demo's finished jobs over and over, each
 * read in as a document of its own, on many vehicles, spread over the days. A line of the same log is the same line,
 * so that nothing is judged for it.
 */
#[AsCommand('rodrel:year', 'Adds a year of finished jobs to the demo shop, to time its lists with')]
final readonly class YearCommand
{
    private const AT_ONCE = 50;
    private const YEAR_S = 365 * 86_400;

    public function __construct(
        private DemoJobs $demo,
        private DemoShop $shop,
        private BringIn $bringIn,
        private ShopSeal $seal,
        private UserRepository $users,
        private EntityManagerInterface $entities,
        private Projector $projector,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('how many jobs')] int $jobs = 5000,
        #[Option('on how many vehicles')] int $vehicles = 1400,
    ): int {
        if (!$this->shop->isDemo()) {
            $output->writeln('Only the demo shop takes a made-up year: this shop is somebody\'s own.');

            return Command::FAILURE;
        }
        $done = $this->entities->getConnection()->fetchFirstColumn("SELECT job_id FROM job_line WHERE stage = 'done'");
        $documents = array_values(array_filter(
            $this->demo->today(),
            static fn (array $document): bool => \in_array($document['job']['id'], $done, true),
        ));
        $added = 0;
        for ($n = 0; $n < $jobs; ++$n) {
            $ago = (int) (self::YEAR_S * (1.0 - ($n + 1) / ($jobs + 1)));
            $added += $this->copy($documents[$n % \count($documents)], 1 + $n % $vehicles, $ago);
            if (0 === $n % self::AT_ONCE) {
                $this->entities->clear();
            }
        }
        $this->shop->mark();
        $output->writeln(\sprintf('%d jobs, %d entries.', $jobs, $added));

        return Command::SUCCESS;
    }

    /**
     * @param array{job: array<string, mixed>, entries: list<array<string, mixed>>, ...} $document
     *
     * @return int its entries
     */
    private function copy(array $document, int $vehicle, int $ago): int
    {
        $from = $document['job']['id'];
        $to = Uuid::v7()->toRfc4122();
        $ids = [$from => $to];
        foreach ($document['entries'] as $entry) {
            $ids[$entry['id']] = Uuid::v7()->toRfc4122();
        }
        unset($document['seal']);
        array_walk_recursive($document, static function (mixed &$value) use ($ids, $ago): void {
            $at = \is_string($value) ? \DateTimeImmutable::createFromFormat('!'.JobDocument::TIME, $value) : false;
            $value = false === $at
                ? (\is_string($value) ? $ids[$value] ?? $value : $value)
                : $at->modify("-$ago seconds")->format(JobDocument::TIME);
        });
        $unit = \sprintf('Unit %04d, hired', $vehicle);
        $document['job']['unit'] = $unit;
        $document['seal'] = $this->seal->of($document);
        $by = $this->users->withLogin('quillane') ?? throw new \LogicException('The demo has an admin.');
        ($this->bringIn)($document, $by);
        $this->projector->forget($to);
        $this->entities->getConnection()->executeStatement(
            "INSERT INTO job_line SELECT (jsonb_populate_record(l, jsonb_build_object(
                'job_id', :to::uuid,
                'unit', :unit::text,
                'search', replace(l.search, lower(l.unit), lower(:unit::text)),
                'opened_at', l.opened_at - :ago * interval '1 second',
                'touched_at', l.touched_at - :ago * interval '1 second'))).* FROM job_line l WHERE l.job_id = :from",
            ['to' => $to, 'unit' => $unit, 'ago' => $ago, 'from' => $from],
        );

        return \count($document['entries']);
    }
}
