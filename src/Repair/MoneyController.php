<?php

declare(strict_types=1);

namespace App\Repair;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Job\Account;
use Rodrel\Core\Job\PathTaken;
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
            usual: $this->usual($loaded),
            back: $this->generateUrl('job_money', ['id' => $job->id()]),
        ));
    }

    /**
     * Testing and its repair, against replacing what is usual until it is cured.
     *
     * @return array{wrong: list<string>, guessed: float, tested: float, minutes: float}|null null where it cannot be
     *     said
     */
    private function usual(LoadedJob $loaded): ?array
    {
        $guessing = $loaded->guessing();
        if (null === $guessing) {
            return null;
        }
        $settings = $this->shop->isolation();
        $cured = $guessing->replaced[\count($guessing->replaced) - 1];
        $minutes = PathTaken::of($loaded->state, $settings->times)->minutes;

        return [
            'wrong' => array_map($this->say->group(...), \array_slice($guessing->replaced, 0, -1)),
            'guessed' => $guessing->cents,
            'tested' => Costs::ofGroup($this->catalogue->knowledge()->cures, $settings, $cured)
                + $minutes * $settings->labour->rateCentsPerMinute,
            'minutes' => $minutes,
        ];
    }
}
