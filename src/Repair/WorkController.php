<?php

declare(strict_types=1);

namespace App\Repair;

use App\Job\Job;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use App\Text\Percent;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\NeedsRepair;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Repair\WorkLine;
use Rodrel\Core\Repair\WorkList;
use Rodrel\Core\Repair\WorkTerms;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The work list: every part that this visit changes, put in or taken out with one tap; one sheet follows from it. */
final class WorkController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly ShopSettings $shop)
    {
    }

    #[Route('/jobs/{id:job}/work', name: 'job_work', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $finding = $loaded->state->story->finding()?->payload->group;
        $sheet = $loaded->state->sheet();
        if (null === $finding || null === $sheet) {
            return $this->redirectToRoute('job_finding', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
        }
        $labour = $this->shop->isolation()->labour;
        $there = $this->catalogue->faults->repairsIn($loaded->layout);
        $needing = $loaded->judgement()->needing ?? [];
        $list = WorkList::of(
            $this->catalogue->repairs,
            $there,
            $finding,
            array_column(
                array_map(
                    static fn (LinePayload $one): array => [(string) $one->group, $one->why],
                    $loaded->state->story->lines(),
                ),
                1,
                0,
            ),
            $needing,
            $loaded->state->situation->readings,
            new WorkTerms($loaded->layout, $labour, $this->shop->practice()),
        );
        $line = fn (WorkLine $one): array => [
            'group' => (string) $one->group,
            'name' => $this->say->work($one->group),
            'why' => $one->why,
            'seen' => $this->seen($one, $needing),
            'percent' => Percent::of($one->chance),
            // what the shop does in any case has no odds
            'school' => 1.0 === $one->chance,
            'cents' => $one->cents($labour->rateCentsPerMinute),
            'minutes' => (int) ceil($one->minutes),
        ];
        $listed = array_map(static fn (WorkLine $one): string => (string) $one->group, $list->lines);

        return $this->page('repair/work.html.twig', $loaded, 'repair', new WorkPage(
            in: array_map($line, $list->in()),
            offered: array_map($line, $list->onOffer()),
            cents: $list->cents($this->catalogue->repairs, $labour),
            minutes: (int) ceil($list->minutes()),
            steps: \count($sheet->steps),
            all: $this->say->repairs(array_diff_key($there, array_flip($listed))),
            back: $this->generateUrl('job_work', ['id' => $job->id()]),
        ));
    }

    /** @param list<NeedsRepair> $needing */
    private function seen(WorkLine $line, array $needing): string
    {
        foreach ($needing as $one) {
            if ($one->group->is($line->group)) {
                return $this->say->check($one->check).': '.$this->say->word($one->check, $one->row, $one->word);
            }
        }

        return '';
    }
}
