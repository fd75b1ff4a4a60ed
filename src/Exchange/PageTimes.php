<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Job\JobLine;
use App\Job\JobLineRepository;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Job\Stage;
use Symfony\Component\Uid\Uuid;

/** Times the pages of a running demo shop on loopback, as ratios to an empty page in the same run. */
final class PageTimes
{
    private const RUNS = 25;
    private const EMPTY = '/jobs/import';
    private string $cookie = '';
    private string $base = '';

    public function __construct(private readonly EntityManagerInterface $entities)
    {
    }

    /** @return list<array{what: string, of: string, aim: string, min: float, median: float, max: float}> */
    public function measure(string $base): array
    {
        if (1 !== preg_match('#^http://(127\.0\.0\.1|localhost)(:\d+)?$#', $base)) {
            throw new \InvalidArgumentException('Pages are timed on loopback only, like http://127.0.0.1:8377.');
        }
        $this->base = $base;
        $signIn = ['login' => 'aldershaw', 'password' => 'thornwater', '_csrf_token' => 'csrf-token'];
        $this->request('/sign-in', null);
        $this->request('/sign-in', $signIn);
        $line = $this->entities->getRepository(JobLine::class)->findOneBy(['stage' => Stage::Bench]);
        $job
            = '/jobs/'
            .($line?->jobId()->toRfc4122() ?? throw new \RuntimeException('The demo has a job on the bench.'));
        $this->many(self::EMPTY);
        $empty = $this->many(self::EMPTY);
        $rows = [['what' => 'empty page', 'of' => self::EMPTY, 'aim' => ''] + $empty];
        foreach (['bench', 'finding', 'checks'] as $page) {
            $rows[] = $this->row(
                $page.', nothing changed',
                $job.'/'.$page,
                $this->many($job.'/'.$page),
                $empty,
                3,
            );
        }
        foreach (['bench', 'finding', 'checks'] as $page) {
            $times = [];
            for ($i = 0; $i < 5; ++$i) {
                $this->request($job.'/entries', [
                    '_token' => 'csrf-token',
                    'entry' => Uuid::v7()->toRfc4122(),
                    'kind' => 'item',
                    'text' => 'timed',
                ]);
                $times[] = $this->request($job.'/'.$page, null);
            }
            $rows[] = $this->row(
                $page.', right after an entry',
                $job.'/'.$page,
                Times::spread($times),
                $empty,
                6,
            );
        }

        $lists = [
            'list' => '/',
            'search' => '/?show=done&q=booster+hired',
            'search, nothing found' => '/?show=done&q=zzz',
            'done, its last page' => '/?show=done&page='.$this->lastPage(),
            'due' => '/due',
            'vehicle' => '/vehicles/'.$this->busiest(),
            'decided by leads' => '/shop/audit',
        ];
        foreach ($lists as $what => $path) {
            $rows[] = $this->row($what, $path, $this->many($path), $empty, 3);
        }

        return $rows;
    }

    private function lastPage(): int
    {
        $done = $this->entities->getRepository(JobLine::class)->count(['stage' => Stage::Done]);

        return max(1, (int) ceil($done / JobLineRepository::PER_PAGE));
    }

    /** The vehicle with the most jobs. */
    private function busiest(): string
    {
        $sql = 'SELECT vehicle_id FROM job GROUP BY vehicle_id ORDER BY count(*) DESC, vehicle_id LIMIT 1';
        $id = $this->entities->getConnection()->fetchOne($sql);

        return \is_string($id) ? $id : throw new \RuntimeException('The demo has vehicles.');
    }

    /**
     * @param array{min: float, median: float, max: float} $times
     * @param array{min: float, median: float, max: float} $empty
     *
     * @return array{what: string, of: string, aim: string, min: float, median: float, max: float}
     */
    private function row(string $what, string $path, array $times, array $empty, int $aim): array
    {
        $ratio = round($times['median'] / max(0.01, $empty['median']), 1);

        return ['what' => $what, 'of' => 'ratio '.$ratio, 'aim' => '≤ '.$aim.' × empty'] + $times;
    }

    /** @return array{min: float, median: float, max: float} */
    private function many(string $path): array
    {
        $times = [];
        for ($i = 0; $i < self::RUNS; ++$i) {
            $times[] = $this->request($path, null);
        }

        return Times::spread($times);
    }

    /**
     * @param array<string, string>|null $form null: GET
     *
     * @return float milliseconds
     */
    private function request(string $path, ?array $form): float
    {
        $curl = curl_init($this->base.$path);
        if (false === $curl) {
            throw new \RuntimeException('curl would not start');
        }
        $headers = ['Origin: '.$this->base, 'Cookie: '.$this->cookie];
        curl_setopt_array(
            $curl,
            [
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HEADER => true,
                \CURLOPT_HTTPHEADER => $headers,
                \CURLOPT_TIMEOUT => 30,
            ] + (null === $form ? [] : [\CURLOPT_POSTFIELDS => http_build_query($form)]),
        );
        $start = hrtime(true);
        $answer = (string) curl_exec($curl);
        $took = (hrtime(true) - $start) / 1e6;
        if (1 === preg_match_all('/^set-cookie: ([^=]+=[^;]*)/mi', $answer, $cookies)) {
            $this->cookie = implode('; ', $cookies[1]);
        }
        $status = curl_getinfo($curl, \CURLINFO_RESPONSE_CODE);
        curl_close($curl);
        if ($status >= 400 || $status < 200) {
            throw new \RuntimeException($path.' answered '.$status);
        }

        return $took;
    }
}
