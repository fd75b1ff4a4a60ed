<?php

declare(strict_types=1);

namespace App\Bench;

use App\Account\OwnWork;
use App\Account\User;
use App\Input\InvalidInput;
use App\Input\KeptFor;
use App\Input\Refusal;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\ReadingForm;
use App\Job\RendersJob;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Everything that is looked at first, on one sheet: what was answered becomes one reading a check, in their order. */
final class FirstLookController extends RendersJob
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Drawing $drawing,
        private readonly Units $units,
        private readonly ReadingForm $readings,
        private readonly ClockInterface $clock,
    ) {
    }

    #[Route('/jobs/{id:job}/first-look', name: 'job_first_look', methods: ['GET'])]
    public function show(Job $job): Response
    {
        return $this->sheet(($this->readJob)($job), [], []);
    }

    #[Route('/jobs/{id:job}/first-look', name: 'job_first_look_keep', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function keep(
        Job $job,
        Request $request,
        AppendEntry $append,
        OwnWork $own,
        #[CurrentUser] User $user,
    ): Response {
        $wrong = $typed = [];
        $head = null;
        try {
            $own->check($request->request->getString('by'), $user);
        } catch (InvalidInput $wrong) {
            $said = [$this->say->ui($wrong->key, $wrong->parameters)];
            Refusal::note($request, $said);

            return $this->sheet(($this->readJob)($job), $request->request->all('sheet'), $said);
        }
        $madeAt = KeptFor::madeAt($request, $this->clock->now());
        foreach ($request->request->all('sheet') as $check => $answers) {
            if (!\is_array($answers)) {
                continue;
            }
            $name = \is_string($check) && null !== CheckAt::tryParse($check) ? $this->say->check($check) : '';
            try {
                $payload = $this->payload((string) $check, $answers);
                $id = \is_string($answers['entry'] ?? null) && Uuid::isValid($answers['entry'])
                    ? Uuid::fromString($answers['entry'])
                    : Uuid::v7();
                $head = null === $payload ? $head : $append($job, $user, $id, $payload, $madeAt)->seq();
            } catch (InvalidInput $bad) {
                $wrong[] = $name.': '.$this->say->ui($bad->key, $bad->parameters);
                $typed[$check] = $answers;
            } catch (Refused $refused) {
                foreach ($refused->reasons as $reason) {
                    $wrong[] = $name.': '.$this->say->ui('gate.'.$reason);
                }
                $typed[$check] = $answers;
            } catch (InvalidData $bad) {
                $wrong[] = $name.': '.$this->say->ui('input.data', ['where' => $bad->path]);
                $typed[$check] = $answers;
            }
        }
        if ([] !== $wrong) {
            Refusal::note($request, $wrong);

            return $this->sheet(($this->readJob)($job), $typed, $wrong);
        }
        $learned = ['id' => $job->id()] + (null === $head ? [] : ['learned' => $head]);

        return $this->redirectToRoute('job_bench', $learned, Response::HTTP_SEE_OTHER);
    }

    /**
     * @param array<array-key, mixed> $answers of one check; null where none is given
     *
     * @throws InvalidInput|InvalidData
     */
    private function payload(string $check, array $answers): ?ReadingPayload
    {
        $given = static fn (string $key): array => array_filter(
            \is_array($answers[$key] ?? null) ? $answers[$key] : [],
            static fn (mixed $one): bool => \is_string($one) && '' !== trim($one),
        );
        $words = $given('word');
        $numbers = $given('number');

        if ([] === $words && [] === $numbers) {
            return null;
        }
        /** @var InputBag<bool|float|int|string> $form */
        $form = new InputBag([
            'check' => $check,
            'word' => $words,
            'number' => $numbers,
            'sure' => \is_string($answers['sure'] ?? null) ? '1' : '',
        ]);

        return $this->readings->read($form);
    }

    /**
     * @param array<array-key, mixed> $typed answers that were refused, by check
     * @param list<string> $wrong
     */
    private function sheet(LoadedJob $loaded, array $typed, array $wrong): Response
    {
        $sheets = [];
        foreach ($this->first($loaded) as [$check, $at]) {
            $sheets[] = [
                'check' => (string) $at,
                'name' => $this->say->check($at),
                'how' => $this->say->text('check.'.$check->id.'.how'),
                'caution' => null === $check->manner->caution
                    ? null
                    : $this->say->text('caution.'.$check->manner->caution),
                'station' => $this->say->text('station.'.$check->station),
                'engine' => $check->manner->engine,
                'foot' => $check->manner->footN,
                'made' => $loaded->state->situation->made($at),
                'rows' => $this->rows($check, $at),
                'typed' => $typed[(string) $at] ?? [],
            ];
        }
        $response = $this->page('bench/first_look.html.twig', $loaded, 'bench', new FirstLookPage(
            sheets: $sheets,
            drawing: $this->drawing->of($loaded),
            wrong: $wrong,
        ));

        return [] === $wrong ? $response : $response->setStatusCode(Response::HTTP_UNPROCESSABLE_ENTITY);
    }

    /** @return list<array{Check, CheckAt}> what is looked at first for this complaint, in its order */
    private function first(LoadedJob $loaded): array
    {
        $now = $loaded->state->situation;
        $checks = $this->catalogue->checks;
        $first = [];
        foreach ($checks as $check) {
            $turn = $check->demand->turn;
            $fits = $turn->fits($now->troubles($checks), $now->seen($checks));
            if (null === $turn->first || $check->isHeat() || !$fits) {
                continue;
            }
            foreach ($check->everywhere($loaded->layout) as $at) {
                if ([] === $this->catalogue->gates->closedFor($check, $at->place, $now, $checks)) {
                    $first[] = [$turn->first, $check, $at];
                }
            }
        }
        usort($first, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $one): array => [$one[1], $one[2]], $first);
    }

    /** @return list<array<string, mixed>> */
    private function rows(Check $check, CheckAt $at): array
    {
        $rows = [];
        foreach ($check->rows as $row) {
            $typed = $row->observer->typed;
            $rows[] = [
                'id' => '' === $row->id ? '0' : $row->id,
                'label' => '' === $row->id ? $this->say->check($at) : $this->say->row($at, $row->id),
                'unit' => null === $typed ? null : $this->units->of($typed->quantity, $typed->unit)->value,
                'best' => $row->observer->wording->best(),
                'words' => null !== $typed ? [] : array_map(
                    fn (string $word): array => ['id' => $word, 'label' => $this->say->word($at, $row->id, $word)],
                    $row->observer->words(),
                ),
            ];
        }

        return $rows;
    }
}
