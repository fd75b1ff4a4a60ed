<?php

declare(strict_types=1);

namespace App\Repair;

use App\Account\OwnWork;
use App\Account\User;
use App\Input\InvalidInput;
use App\Input\KeptFor;
use App\Input\Refusal;
use App\Job\AppendEntry;
use App\Job\FormReader;
use App\Job\Job;
use App\Job\RendersJob;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/**
 * What was ticked on a repair sheet, in one go: first what lies ready, then the steps in the order they are sent, which
 * is the sheet's; the last one can finish the repair. Each becomes an entry of its own; the first that is refused stops
 * those after it, and says why.
 */
final class SheetController extends RendersJob
{
    public function __construct(
        private readonly AppendEntry $append,
        private readonly FormReader $reader,
        private readonly OwnWork $own,
        private readonly ClockInterface $clock,
    ) {
    }

    #[Route('/jobs/{id:job}/repair', name: 'job_repair_keep', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function __invoke(Job $job, Request $request, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        $many = $names = [];
        $wrong = null;
        try {
            $this->own->check($form->getString('by'), $user);
            foreach ($this->ticked($form) as [$kind, $id, $fields]) {
                $names[] = match ($kind) {
                    Kind::Step => $this->say->step(self::string($fields['step'])),
                    Kind::Prepared => $this->say->text('prepare.'.self::string($fields['item'])),
                    default => $this->say->ui('repair.finish'),
                };
                /** @var InputBag<bool|float|int|string> $one */
                $one = new InputBag($fields);
                $says = $this->reader->read($kind, $one);
                $many[] = [$id, $says, KeptFor::madeAt($request, $this->clock->now(), $says)];
            }
        } catch (InvalidInput $input) {
            $wrong = $input;
        }
        // what stands before a figure that cannot be read is taken
        [$taken, $stopped] = [] === $many ? [0, null] : $this->append->several($job, $user, $many);
        $name = $names[$taken] ?? '';
        if ($stopped instanceof Refused) {
            $why = array_map(fn (string $reason): string => $this->say->ui('gate.'.$reason), $stopped->reasons);
            $this->refuse($request, $name, $why);
        } elseif ($stopped instanceof InvalidData) {
            $this->refuse($request, $name, [$this->say->ui('input.data', ['where' => $stopped->path])]);
        } elseif (null !== $stopped) {
            throw $stopped;
        } elseif (null !== $wrong) {
            $why = [$this->say->ui($wrong->key, $wrong->parameters)];
            $this->refuse($request, $name, $why, $wrong->parameters['typed'] ?? '');
        }
        if (KeptFor::is($request) && null !== Refusal::of($request)) {
            return new Response('', Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        // what is finished with its last step leads on
        $good = null === $stopped && null === $wrong;
        $route = match (true) {
            $good && $form->getBoolean('on') => 'job_proof_next',
            $good && $form->getBoolean('finish') => 'job',
            default => 'job_repair',
        };

        return $this->redirectToRoute($route, ['id' => $job->id()], Response::HTTP_SEE_OTHER);
    }

    /** @param list<string> $why */
    private function refuse(Request $request, string $name, array $why, string $typed = ''): void
    {
        $said = array_map(static fn (string $one): string => trim($name.': '.$one, ': '), $why);
        Refusal::carry($request, $said, $typed);
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return list<array{Kind, Uuid, array<string, list<string>|string>}> what to write, in order
     *
     * @throws InvalidInput when nothing was ticked
     */
    private function ticked(InputBag $form): array
    {
        $ticked = [];
        foreach (['prepared' => Kind::Prepared, 'step' => Kind::Step] as $list => $kind) {
            foreach ($form->all($list) as $name => $given) {
                $text = static fn (string $key): string => self::string(\is_array($given) ? $given[$key] ?? '' : '');
                if ('' === $text('done')) {
                    continue;
                }
                $id = Uuid::isValid($text('entry')) ? Uuid::fromString($text('entry')) : Uuid::v7();
                $ticked[] = [$kind, $id, Kind::Step === $kind
                    ? ['step' => (string) $name, 'sheet' => $form->getString('sheet'), 'figure' => $text('figure')]
                    : ['item' => (string) $name]];
            }
        }

        if ([] === $ticked) {
            throw InvalidInput::because('input.nothing-ticked');
        }
        $finished = $form->getString('finished');

        return $form->getBoolean('finish') && Uuid::isValid($finished)
            ? [...$ticked, [Kind::Repaired, Uuid::fromString($finished), [
                'group' => $form->getString('group'),
                'sheet' => $form->getString('sheet'),
                'also' => array_values(array_filter($form->all('also'), is_string(...))),
            ]]]
            : $ticked;
    }

    private static function string(mixed $given): string
    {
        return \is_string($given) ? $given : '';
    }
}
