<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Photo\Photos;
use App\Text\Units;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Observer;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Gates;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Corner;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** One check's sheet, and the search through all of them. */
final class CheckController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Units $units, private readonly Photos $photos)
    {
    }

    #[Route('/jobs/{id:job}/checks', name: 'job_checks', methods: ['GET'])]
    public function all(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $words = mb_strtolower(trim($request->query->getString('q')));
        $found = [];
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->places->in($loaded->layout) as $place) {
                $name = $this->say->check($check->at($place));
                if ('complaint' !== $check->id && ('' === $words || str_contains(mb_strtolower($name.' '.$this->say->text('check.'.$check->id.'.how')), $words))) {
                    $found[$check->phase][] = ['id' => $check->at($place), 'name' => $name, 'minutes' => (int) ceil($check->minutes), 'made' => $loaded->state->situation->made($check->at($place)), 'closed' => [] !== Gates::closedFor($check, $place, $loaded->state->situation)];
                }
            }
        }

        return $this->page('bench/checks.html.twig', $loaded, 'bench', ['found' => $found, 'words' => $words]);
    }

    #[Route('/jobs/{id:job}/checks/{check}', name: 'job_check', requirements: ['check' => '[a-z-]+@[a-z]+'], methods: ['GET'])]
    public function __invoke(Job $job, string $check): Response
    {
        $loaded = ($this->readJob)($job);
        try {
            $definition = $this->catalogue->check($check);
        } catch (InvalidData) {
            throw $this->createNotFoundException();
        }
        $place = explode('@', $check)[1];
        if (!\in_array($place, $definition->places->in($loaded->layout), true)) {
            throw $this->createNotFoundException();
        }
        $gates = Gates::closedFor($definition, $place, $loaded->state->situation);

        return $this->page('bench/check.html.twig', $loaded, $definition->proofOnly ? 'proof' : 'bench', [
            'check' => $check,
            'definition' => $definition,
            'name' => $this->say->check($check),
            'how' => $this->say->text('check.'.$definition->id.'.how'),
            'spoken' => array_map(fn (string $word): string => $this->say->text('say.'.$word), $definition->spoken),
            'caution' => null === $definition->caution ? null : $this->say->text('caution.'.$definition->caution),
            'rows' => $this->rows($check, $definition),
            'overAir' => isset($definition->rows['lf']) && $definition->rows['lf']->isOverAir(),
            'gates' => array_merge(...array_map(fn (Gate $gate): array => array_map(fn (string $unmet): array => ['key' => $unmet, 'said' => $this->say->ui('gate.'.$unmet), 'overridable' => $gate->overridable, 'gate' => $gate->id], $gate->unmet), $gates)),
            'made' => $loaded->state->situation->made($check),
            'from' => $definition->proofOnly || null !== $loaded->state->repaired && \in_array($definition->id, ['look', 'pedal'], true) && null === $loaded->state->proof->failed() ? 'proof' : 'bench',
            'photos' => $this->photos->of($job->id(), 'check:'.$check),
            'sound' => $this->sound($loaded, $definition, $check),
            'measures' => \in_array($definition->id, ['wear', 'limits'], true) ? $definition->id : null,
            'limit' => 'limits' === $definition->id ? $this->limit($loaded, Corner::from($place)) : null,
            'lengthUnit' => $this->units->of(Quantity::Length)->value,
            'airUnit' => $this->units->of(Quantity::Temperature)->value,
        ]);
    }

    /** @return array{part: string, own: string|null} drum or rotor, and the limit that was typed for it */
    private function limit(LoadedJob $loaded, Corner $corner): array
    {
        $disc = $loaded->layout->brake($corner)->disc;
        $own = $loaded->state->story->figures()[$disc ? ($corner->isFront() ? 'rotor_min_front_mm' : 'rotor_min_rear_mm') : 'drum_max_mm'] ?? null;

        return ['part' => $disc ? 'rotor' : 'drum', 'own' => null === $own ? null : $this->units->figure($own, Quantity::Length)];
    }

    /** @return list<array<string, mixed>> */
    private function rows(string $id, Check $check): array
    {
        $rows = [];
        foreach ($check->rows as $row => $observer) {
            $rows[] = [
                'id' => (string) $row,
                'label' => '' === $row ? '' : $this->say->row($id, (string) $row),
                'number' => null !== $observer->quantity,
                'unit' => null === $observer->quantity ? null : $this->units->of(Quantity::from($observer->quantity), Unit::from((string) $observer->unit))->value,
                'sound' => null,
                'words' => array_map(fn (string $word): array => ['id' => $word, 'label' => $this->say->word($id, (string) $row, $word)], $observer->words),
            ];
        }

        return $rows;
    }

    /** What a sound vehicle of this layout shows, so that the technician knows what to compare with. */
    private function sound(LoadedJob $loaded, Check $check, string $id): ?string
    {
        foreach ($check->rows as $row => $observer) {
            if (null !== $observer->quantity && !$observer->isOverAir() && null !== $loaded->state->field) {
                return $this->range($loaded->state->field->sound($id, (string) $row), $observer);
            }
        }

        return null;
    }

    private function range(float $sound, Observer $observer): string
    {
        $quantity = Quantity::from((string) $observer->quantity);
        $unit = Unit::from((string) $observer->unit);

        return $this->say->ui('check.sound', ['low' => $this->units->figure($sound * exp(-2.0 * $observer->noise), $quantity, $unit), 'high' => $this->units->figure($sound * exp(2.0 * $observer->noise), $quantity, $unit), 'unit' => $this->units->of($quantity, $unit)->value]);
    }
}
