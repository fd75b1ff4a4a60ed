<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Account\User;
use App\Account\UserRepository;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\JobLine;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Job\Stage;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Uid\Uuid;

/** A shop with the demo in it; what a test changes is rolled back. */
abstract class ShopTestCase extends WebTestCase
{
    protected KernelBrowser $client;

    protected function setUp(): void
    {
        $this->client = self::createClient(server: ['HTTP_ORIGIN' => 'http://localhost']);
    }

    protected function signIn(string $login = 'fenwarren'): User
    {
        $user = self::getContainer()->get(UserRepository::class)->withLogin($login);
        self::assertNotNull($user);
        $this->client->loginUser($user);

        return $user;
    }

    protected function job(string $unit, Stage $stage): Job
    {
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        $line = $entities
            ->getRepository(JobLine::class)
            ->createQueryBuilder('l')
            ->where('l.unit LIKE :unit AND l.stage = :stage')
            ->setParameter('unit', $unit.'%')
            ->setParameter('stage', $stage)
            ->setMaxResults(1)
            ->getQuery()
            ->getSingleResult();
        $job = $entities->find(Job::class, $line->jobId());
        self::assertNotNull($job);

        return $job;
    }

    /**
     * A job just opened: left front drags.
     *
     * @param array<string, mixed> $more of the form
     */
    protected function freshJob(array $more = []): string
    {
        $id = Uuid::v7()->toRfc4122();
        $this->client->request('POST', '/jobs/new', [
            '_token' => 'csrf-token',
            'job' => $id,
            'entry' => Uuid::v7()->toRfc4122(),
            'unit' => 'Unit 31, loader',
            'split' => 'diagonal',
            'rear' => 'drum',
            'anti_lock' => 'yes',
            'assist' => 'engine-vacuum',
            'what' => 'drags',
            'where' => 'lf',
            'pattern' => '',
            'note' => '',
            ...$more,
        ]);
        self::assertResponseStatusCodeSame(303);
        $opened = (string) $this->client->getResponse()->headers->get('Location');
        self::assertMatchesRegularExpression("~^/jobs/$id/(bench|round)$~", $opened);

        return $id;
    }

    /** @param array<string, mixed> $fields */
    protected function append(string $job, string $kind, array $fields, ?string $entry = null): Crawler
    {
        return $this->client->request(
            'POST',
            "/jobs/$job/entries",
            ['_token' => 'csrf-token', 'entry' => $entry ?? Uuid::v7()->toRfc4122(), 'kind' => $kind] + $fields,
        );
    }

    /** @return list<string> kinds of a job's entries, in their order */
    protected function kinds(string $id): array
    {
        $entries = self::getContainer()->get('doctrine')->getRepository(JobEntry::class);

        return array_map(
            static fn (JobEntry $entry): string => $entry->kind(),
            $entries->findBy(['jobId' => Uuid::fromString($id)], ['seq' => 'ASC']),
        );
    }

    protected function text(string $css = 'body'): string
    {
        return $this->client->getCrawler()->filter($css)->text();
    }

    protected function bringIn(string $json): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        file_put_contents($file, $json);
        $this->client->request(
            'POST',
            '/jobs/import',
            ['_token' => 'csrf-token'],
            ['file' => new UploadedFile($file, 'job.json', 'application/json', null, true)],
        );
    }
}
