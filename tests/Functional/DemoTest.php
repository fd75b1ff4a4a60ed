<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Demo\DemoJobs;
use App\Exchange\BringIn;
use App\Exchange\ShopSeal;
use App\Job\JobEntry;
use App\Job\JobEntryRepository;
use App\Job\ReadJob;
use Rodrel\Core\CoreException;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Symfony\Component\Uid\Uuid;

/** The demo that ships is one that could be played by hand today: no rule refuses an entry of it. */
final class DemoTest extends ShopTestCase
{
    public function testNoRuleRefusesAnEntryOfTheDemo(): void
    {
        $user = $this->signIn('quillane');
        $container = self::getContainer();
        $documents = $container->get(DemoJobs::class)->today();
        self::assertGreaterThan(20, \count($documents));
        $wrong = [];
        foreach ($documents as $document) {
            unset($document['seal']);
            $ids = [$document['job']['id'], ...array_column($document['entries'], 'id')];
            $others = array_map(static fn (): string => Uuid::v7()->toRfc4122(), $ids);
            $json = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR);
            $copy = json_decode(strtr($json, array_combine($ids, $others)), true);
            $copy['seal'] = $container->get(ShopSeal::class)->of($copy);
            $job = $container->get(BringIn::class)($copy, $user);
            $log = $container->get(JobEntryRepository::class)->logOf($job->id());
            foreach ($log as $n => $entry) {
                $before = $container->get(ReadJob::class)->from($job, \array_slice($log, 0, $n));
                try {
                    Rule::check($before->state, $entry->toCore());
                } catch (Refused $refused) {
                    if (['predictions-first'] === $refused->reasons) {
                        continue; // a kind of vehicle that nobody has looked at here yet
                    }
                    $wrong[] = $this->named($entry, $job->unit()).': '.implode(', ', $refused->reasons);
                } catch (CoreException $unread) {
                    $wrong[] = $this->named($entry, $job->unit()).': '.$unread->getMessage();
                }
            }
        }
        self::assertSame([], $wrong, 'play it anew: ./rodrel demo --play');
    }

    /** What was ordered for tomorrow on the day it was played is for tomorrow today; nothing lies ahead of now. */
    public function testTheDemoMovesAlongWithTheDays(): void
    {
        $now = new \DateTimeImmutable();
        $times = $days = [];
        foreach (self::getContainer()->get(DemoJobs::class)->today() as $document) {
            foreach ($document['entries'] as $entry) {
                $times[] = $entry['recorded_at'];
                if ('item' === $entry['kind'] && str_contains($entry['payload']['text'], 'Caliper ordered')) {
                    $days[] = $entry['payload']['due'];
                }
            }
        }
        self::assertSame([$now->modify('+1 day')->format('Y-m-d')], $days);
        self::assertEqualsWithDelta($now->getTimestamp(), strtotime(max($times)), 600);
        self::assertGreaterThan($now->modify('-1 hour')->format('Y-m-d\TH:i:s\Z'), max($times));
    }

    private function named(JobEntry $entry, string $unit): string
    {
        return "$unit {$entry->seq()} {$entry->kind()}";
    }
}
