<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Exchange\BringIn;
use App\Exchange\JobDocument;
use App\Exchange\ShopSeal;
use App\Job\JobRepository;
use Rodrel\Core\Catalogue\Catalogue;
use Symfony\Component\Clock\ClockInterface;

/**
 * The demo's jobs as documents, `demo/jobs.jsonl`: a head with the moment they were played at and who played, then a
 * job a line. They are read in as our own exports are; every time and day moves along with today.
 */
final readonly class DemoJobs
{
    private const JSON = \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION
        | \JSON_THROW_ON_ERROR;
    private const DAY = '/^\d{4}-\d{2}-\d{2}$/';

    public function __construct(
        private string $projectDir,
        private JobRepository $jobs,
        private JobDocument $document,
        private BringIn $bringIn,
        private ShopSeal $seal,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    /**
     * All jobs of this shop, as they stand now.
     *
     * @param array<string, User> $people by login
     */
    public function write(array $people): void
    {
        $ids = array_map(static fn (User $one): string => $one->id()->toRfc4122(), $people);
        $lines = [['played_at' => $this->clock->now()->format(JobDocument::TIME), 'people' => $ids]];
        foreach ($this->jobs->findBy([], ['id' => 'ASC']) as $job) {
            $lines[] = array_diff_key($this->document->of($job), ['seal' => 1]);
        }
        $json = array_map(static fn (array $line): string => json_encode($line, self::JSON), $lines);
        file_put_contents($this->file(), implode("\n", $json)."\n");
    }

    /** @return array<string, string> id by login */
    public function people(): array
    {
        return $this->read()[0]['people'];
    }

    /**
     * @return list<array{job: array<string, mixed>, entries: list<array<string, mixed>>, ...}> documents of this shop,
     *     sealed, as if they had been played today
     */
    public function today(): array
    {
        [$head, $documents] = $this->read();
        $played = new \DateTimeImmutable($head['played_at']);
        $now = $this->clock->now()->setTimezone(new \DateTimeZone('UTC'));
        $seconds = $now->getTimestamp() - $played->getTimestamp();
        $days = (int) round(($now->setTime(0, 0)->getTimestamp() - $played->setTime(0, 0)->getTimestamp()) / 86_400);
        $sealed = [];
        foreach ($documents as $document) {
            array_walk_recursive($document, static function (mixed &$value) use ($seconds, $days): void {
                $at = \is_string($value) ? \DateTimeImmutable::createFromFormat('!'.JobDocument::TIME, $value) : false;
                if (false !== $at) {
                    $value = $at->modify("$seconds seconds")->format(JobDocument::TIME);
                } elseif (\is_string($value) && 1 === preg_match(self::DAY, $value)) {
                    $value = (new \DateTimeImmutable($value))->modify("$days days")->format('Y-m-d');
                }
            });
            foreach ($document['entries'] as $n => $_) {
                $document['entries'][$n]['catalogue'] = $this->catalogue->hash;
            }
            $sealed[] = $document + ['seal' => $this->seal->of($document)];
        }

        return $sealed;
    }

    public function load(User $by): void
    {
        foreach ($this->today() as $document) {
            ($this->bringIn)($document, $by);
        }
    }

    /**
     * @return array{
     *     array{played_at: string, people: array<string, string>},
     *     list<array{job: array<string, mixed>, entries: list<array<string, mixed>>, ...}>
     * }
     */
    private function read(): array
    {
        $lines = file($this->file(), \FILE_IGNORE_NEW_LINES) ?: throw new \LogicException('The demo ships with it.');
        $flags = \JSON_THROW_ON_ERROR;
        $read = array_map(static fn (string $line): mixed => json_decode($line, true, 64, $flags), $lines);
        /** @var array{played_at: string, people: array<string, string>} $head */
        $head = $read[0];
        /** @var list<array{job: array<string, mixed>, entries: list<array<string, mixed>>, ...}> $documents */
        $documents = \array_slice($read, 1);

        return [$head, $documents];
    }

    private function file(): string
    {
        return $this->projectDir.'/demo/jobs.jsonl';
    }
}
