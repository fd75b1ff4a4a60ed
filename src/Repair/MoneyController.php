<?php

declare(strict_types=1);

namespace App\Repair;

use App\Job\Job;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Account;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Quoted and spent, hours expected and taken, cores still to come back. */
final class MoneyController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly ShopSettings $shop)
    {
    }

    #[Route('/jobs/{id:job}/money', name: 'job_money', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $labour = $this->shop->isolation()->labour;
        $account = Account::of($loaded->state->story, $this->catalogue->repairs, $labour);

        return $this->page('repair/money.html.twig', $loaded, 'done', new MoneyPage(
            account: $account,
            spent: $account->spentCents($labour),
            labour: $account->minutesTaken() * $labour->rateCentsPerMinute,
            back: $this->generateUrl('job_money', ['id' => $job->id()]),
        ));
    }
}
