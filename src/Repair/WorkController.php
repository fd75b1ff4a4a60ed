<?php

declare(strict_types=1);

namespace App\Repair;

use App\Job\Job;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Repair\WorkLine;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The work list: every part that this visit changes, put in or taken out with one tap; one sheet follows from it. */
final class WorkController extends RendersJob
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ShopSettings $shop,
        private readonly WorkView $work,
        private readonly PartsList $parts,
    ) {
    }

    #[Route('/jobs/{id:job}/work', name: 'job_work', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $list = $this->work->of($loaded);
        $sheet = $loaded->state->sheet();
        if (null === $list || null === $sheet) {
            return $this->redirectToRoute('job_finding', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
        }
        $off = $loaded->state->story->putOff();
        $listed = [
            ...array_map(static fn (WorkLine $one): string => (string) $one->group, $list->lines),
            ...array_map(static fn (LinePayload $one): string => (string) $one->group, $off),
        ];
        $there = $this->catalogue->faults->repairsIn($loaded->layout);

        return $this->page('repair/work.html.twig', $loaded, 'repair', new WorkPage(
            in: $this->work->lines($loaded, $list->in()),
            offered: $this->work->lines($loaded, WorkView::notPutOff($list->onOffer(), $off)),
            off: array_map(fn (LinePayload $one): array => [
                'group' => (string) $one->group,
                'name' => $this->say->work($one->group),
                'why' => $one->why,
                'reason' => $one->reason,
                'until' => $one->until,
                'cents' => $this->catalogue->repairs->of($one->group)->costCents(
                    $this->shop->isolation()->labour->rateCentsPerMinute,
                    $this->shop->isolation()->labour->fluidCentsPerMl,
                ),
            ], $off),
            cents: $list->cents($this->catalogue->repairs, $this->shop->isolation()->labour),
            minutes: (int) ceil($list->minutes()),
            steps: \count($sheet->steps),
            all: $this->say->repairs(array_diff_key($there, array_flip($listed))),
            back: $this->generateUrl('job_work', ['id' => $job->id()]),
            parts: $this->parts->of($loaded),
        ));
    }

    /** What has to lie here before the visit begins, as a table that any program opens. */
    #[Route('/jobs/{id:job}/parts.csv', name: 'job_parts', methods: ['GET'])]
    public function csv(Job $job): Response
    {
        $loaded = ($this->readJob)($job);

        return new Response($this->parts->csv($loaded), headers: [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="parts.csv"',
        ]);
    }
}
