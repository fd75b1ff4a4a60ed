<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\HandOverController;
use App\Account\People;
use App\Account\Role;
use App\Account\User;
use App\Account\UserRepository;
use App\Input\Again;
use App\Input\InvalidInput;
use App\Job\Projector;
use App\Shop\ShopSettings;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/**
 * The shop's rate, thresholds, schools, tools, prices and people. Everyone sees it; a lead changes it, an admin the
 * people.
 */
final class ShopController extends AbstractController
{
    private const NUMBERS = [
        'rate' => ['rate_cents_per_hour', 100.0, 0.0, 100000.0],
        'fluid' => ['fluid_cents_per_litre', 100.0, 0.0, 100000.0],
        'threshold' => ['threshold', 0.01, 0.51, 0.99],
        'second' => ['second_fault', 0.01, 0.01, 0.6],
        'second_after' => ['second_fault_after_repair', 0.01, 0.01, 0.8],
        'raise' => ['raise_minutes', 1.0, 0.0, 120.0],
        'wheels' => ['wheels_off_minutes', 1.0, 0.0, 120.0],
        'bleed' => ['bleed_minutes', 1.0, 0.0, 240.0],
        'helper' => ['helper_minutes', 1.0, 0.0, 60.0],
        'confirm' => ['confirm_above_cents', 100.0, 0.0, 1000000.0],
        'comeback' => ['comeback_cents', 100.0, 0.0, 1000000.0],
    ];

    public function __construct(
        private readonly ShopSettings $shop,
        private readonly Catalogue $catalogue,
        private readonly UserRepository $users,
        private readonly People $people,
        private readonly ClockInterface $clock,
        private readonly JobPaths $paths,
        private readonly Say $say,
    ) {
    }

    #[Route('/shop', name: 'shop', methods: ['GET'])]
    public function show(Request $request): Response
    {
        return $this->page(kept: $request->query->getString('kept'));
    }

    #[Route('/shop', name: 'shop_change', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    #[IsCsrfTokenValid('submit', '_token')]
    public function change(Request $request, Projector $projector, #[CurrentUser] User $user): Response
    {
        try {
            $this->notByPin($request);
            $this->shop->change($this->changes($request->request), $user->name(), $this->clock->now());
            $projector->openOnes();
        } catch (InvalidInput $wrong) {
            return $this->page($this->say->ui($wrong->key, $wrong->parameters), $request->request->all());
        } catch (InvalidData $wrong) {
            return $this->page($this->say->ui('input.data', ['where' => $wrong->path]), $request->request->all());
        }

        $section = $request->request->getString('section', 'shop');

        return $this->redirectToRoute('shop', ['kept' => $section], Response::HTTP_SEE_OTHER);
    }

    #[Route('/shop/people', name: 'shop_person', methods: ['POST'])]
    #[IsGranted('ROLE_ADMIN')]
    #[IsCsrfTokenValid('submit', '_token')]
    public function person(Request $request, #[CurrentUser] User $by): Response
    {
        $form = $request->request;
        try {
            $this->notByPin($request);
            $this->people->put(
                $form->getString('login'),
                $form->getString('name'),
                Role::tryFrom($form->getString('role')),
                $form->getString('password'),
                $by,
            );
        } catch (InvalidInput $wrong) {
            return $this->page($this->say->ui($wrong->key, $wrong->parameters), $form->all());
        }

        return $this->redirectToRoute('shop', ['_fragment' => 'people'], Response::HTTP_SEE_OTHER);
    }

    #[Route('/shop/people/{id:person}/retire', name: 'shop_retire', methods: ['POST'])]
    #[IsGranted('ROLE_ADMIN')]
    #[IsCsrfTokenValid('submit', '_token')]
    public function retire(User $person, Request $request, #[CurrentUser] User $by): Response
    {
        try {
            $this->notByPin($request);
            $this->people->retire($person, $by);
        } catch (InvalidInput $wrong) {
            return $this->page($this->say->ui($wrong->key, $wrong->parameters), []);
        }

        return $this->redirectToRoute('shop', ['_fragment' => 'people'], Response::HTTP_SEE_OTHER);
    }

    /** @throws InvalidInput in a session that was opened by a PIN */
    private function notByPin(Request $request): void
    {
        if ($request->getSession()->has(HandOverController::BY_PIN)) {
            throw InvalidInput::because('shop.by-pin');
        }
    }

    /**
     * What one section of the page says; all of them where none is named.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    private function changes(InputBag $form): array
    {
        $sections = [
            'shop' => $this->names(...),
            'judgement' => $this->numbers(...),
            'schools' => $this->chosen(...),
            'tools' => fn (InputBag $form): array => [
                'tools' => array_values(array_intersect($this->tools(), $form->all('tools'))),
            ],
            'prices' => fn (InputBag $form): array => ['prices' => $this->prices($form)],
        ];
        $section = $form->getString('section');
        $changes = [];
        foreach ('' === $section ? $sections : array_intersect_key($sections, [$section => true]) as $read) {
            $changes += $read($form);
        }

        return [] !== $changes ? $changes : throw InvalidInput::because('input.missing');
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, float>
     */
    private function numbers(InputBag $form): array
    {
        $changes = [];
        foreach (self::NUMBERS as $field => [$key, $scale, $low, $high]) {
            $typed = str_replace(',', '.', trim($form->getString($field)));
            $value = is_numeric($typed) ? (float) $typed * $scale : null;
            if (null === $value || $value < $low || $value > $high) {
                throw InvalidInput::because('shop.number', [
                    'field' => $this->say->ui('shop.'.str_replace('_', '-', $field)),
                    'low' => (string) ($low / $scale),
                    'high' => (string) ($high / $scale),
                ]);
            }
            $changes[$key] = round($value, 4);
        }

        return $changes;
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, string>
     */
    private function names(InputBag $form): array
    {
        $zone = $form->getString('time_zone');
        $name = trim($form->getString('name'));
        $currency = $form->getString('currency');
        $address = trim($form->getString('address'));
        $wrong = match (true) {
            !\in_array($zone, \DateTimeZone::listIdentifiers(), true) => 'shop.zone',
            '' === $name, mb_strlen($name) > 120 => 'shop.name-missing',
            1 !== preg_match('/^[A-Z]{3}$/', $currency) => 'shop.currency-wrong',
            '' !== $address && 1 !== preg_match('~^https?://[^\s/]+(:\d+)?/?$~', $address) => 'shop.address-wrong',
            default => null,
        };

        return null === $wrong
            ? ['time_zone' => $zone, 'name' => $name, 'currency' => $currency, 'address' => $address]
            : throw InvalidInput::because($wrong);
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{schools: array<string, string>}
     */
    private function chosen(InputBag $form): array
    {
        $schools = [];
        foreach ($this->schools() as $school => $choices) {
            $chosen = $form->all('school')[$school] ?? '';
            $schools[$school] = \is_string($chosen) && \in_array($chosen, $choices, true)
                ? $chosen
                : throw InvalidInput::because('input.choice', ['choices' => implode(', ', $choices)]);
        }

        return ['schools' => $schools];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, array<string, float>>
     */
    private function prices(InputBag $form): array
    {
        $prices = [];
        foreach ($form->all('price') as $repair => $typed) {
            $parts = \is_array($typed) ? str_replace(',', '.', trim((string) ($typed['parts'] ?? ''))) : '';
            $minutes = \is_array($typed) ? str_replace(',', '.', trim((string) ($typed['minutes'] ?? ''))) : '';
            foreach (['parts_cents' => [$parts, 100.0], 'minutes' => [$minutes, 1.0]] as $key => [$text, $scale]) {
                if ('' !== $text && isset($this->catalogue->repairs->all[$repair])) {
                    $prices[$repair][$key]
                        = is_numeric($text) && (float) $text >= 0.0
                            ? (float) $text * $scale
                            : throw InvalidInput::because('shop.number', [
                                'field' => $this->say->text('repair.'.$repair.'.part'),
                                'low' => '0',
                                'high' => '…',
                            ]);
                }
            }
        }

        return $prices;
    }

    /** @return array<string, non-empty-list<string>> choices by question */
    private function schools(): array
    {
        return array_map(array_keys(...), $this->catalogue->schools->questions);
    }

    /** @return list<string> */
    private function tools(): array
    {
        $tools = [];
        foreach ($this->catalogue->checks as $check) {
            array_push($tools, ...$check->demand->tools);
        }
        $tools = array_values(array_unique($tools));
        sort($tools);

        return $tools;
    }

    /** @param array<string, mixed> $typed */
    private function page(?string $wrong = null, array $typed = [], string $kept = ''): Response
    {
        $typed = Again::of($typed);
        $now = $this->shop->all();
        $numbers = [];
        foreach (self::NUMBERS as $field => [$key, $scale]) {
            $numbers[$field]
                = $typed[$field]
                ?? (is_numeric($now[$key] ?? null) ? (string) round((float) $now[$key] / $scale, 2) : '');
        }

        return $this->render(
            'shop/shop.html.twig',
            get_object_vars(new ShopPage(
                wrong: $wrong,
                kept: $kept,
                section: \is_string($typed['section'] ?? null) ? $typed['section'] : $kept,
                numbers: $numbers,
                does: array_map($this->effect(...), $numbers),
                now: $now,
                schools: $this->schools(),
                tools: $this->tools(),
                repairs: $this->catalogue->repairs->all,
                people: $this->users->findBy([], ['name' => 'ASC']),
                roles: Role::cases(),
                zones: \DateTimeZone::listIdentifiers(),
                paths: $this->paths->ofTheLast(),
            )),
            new Response('', null === $wrong ? 200 : 422),
        );
    }

    /**
     * What a number comes to, on an example: a tenth of an hour, half a litre, one in so many.
     *
     * @return array<string, string>
     */
    private function effect(mixed $shown): array
    {
        $value = is_numeric($shown) ? (float) $shown : 0.0;
        $figure = static fn (float $number): string => (string) round($number, $number < 10.0 ? 1 : 0);

        return [
            'n' => $figure($value),
            'sixth' => $figure($value / 6.0),
            'half' => $figure($value / 2.0),
            'rest' => $figure(100.0 - $value),
        ];
    }
}
