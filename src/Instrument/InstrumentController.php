<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Account\HandOverController;
use App\Account\LoginSlowdown;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Quantity\Quantity;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Readings come in line by line from a bridge, and the field in use asks for the latest. */
final class InstrumentController extends AbstractController
{
    private const MOST_LINES = 200;
    private const MOST_BYTES = 100_000;
    private const WHO = 'instrument';

    public function __construct(
        private readonly Readings $readings,
        private readonly Pairing $pairing,
        private readonly ClockInterface $clock,
        private readonly LoginSlowdown $slowdown,
    ) {
    }

    #[Route('/instruments/readings', name: 'instrument_readings', methods: ['POST'])]
    public function take(Request $request): Response
    {
        $given = $request->headers->get('Authorization', '');
        if (!str_starts_with($given, 'Bearer ') || !$this->pairing->fits(substr($given, 7))) {
            // nobody waits in a worker: whoever guesses is sent away, longer each time
            $wait = $this->slowdown->attempt(self::WHO);
            $error = ['error' => 'pair this bridge: its token is not the shop\'s'];

            return $wait > 0.0
                ? new JsonResponse($error, 429, ['Retry-After' => (string) (int) ceil($wait)])
                : new JsonResponse($error, 401);
        }
        $body = $request->getContent();
        $lines = preg_split('/\R/', $body, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        if (\strlen($body) > self::MOST_BYTES || \count($lines) > self::MOST_LINES) {
            return new JsonResponse(['error' => \sprintf('at most %d lines at once', self::MOST_LINES)], 413);
        }
        $accepted = 0;
        $refused = [];
        foreach ($lines as $n => $line) {
            try {
                $this->readings->keep(InstrumentReading::parse($line), $this->clock->now());
                ++$accepted;
            } catch (InvalidData $wrong) {
                $refused[] = ['line' => $n + 1, 'at' => $wrong->path, 'why' => $wrong->getMessage()];
            }
        }
        $this->readings->tidy();

        return new JsonResponse(['accepted' => $accepted, 'refused' => $refused], [] === $refused ? 200 : 207);
    }

    #[Route('/instruments/fresh/{kind}', name: 'instrument_fresh', methods: ['GET'])]
    public function fresh(string $kind): Response
    {
        $quantity = Quantity::tryFrom($kind) ?? throw $this->createNotFoundException();

        return new JsonResponse($this->readings->fresh($quantity, $this->clock->now()));
    }

    #[Route('/shop/instruments', name: 'shop_instruments', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    #[IsCsrfTokenValid('submit', '_token')]
    public function pair(Request $request): Response
    {
        if ($request->getSession()->has(HandOverController::BY_PIN)) {
            return $this->render('shop/paired.html.twig', ['token' => ''], new Response('', 422));
        }

        return $this->render('shop/paired.html.twig', ['token' => $this->pairing->renew()]);
    }
}
