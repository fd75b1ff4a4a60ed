<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Prediction\HiddenVehicles;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** A simulated instrument in the hand: it measures a vehicle whose fault only it knows, and sends what it reads. */
final class SimulatedController extends AbstractController
{
    private const MOST = 9999;

    public function __construct(
        private readonly HiddenVehicles $vehicles,
        private readonly SimulatedInstrument $instrument,
        private readonly Readings $readings,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly Say $say,
    ) {
    }

    #[Route('/instruments/simulated', name: 'instrument_simulated', methods: ['GET'])]
    public function show(Request $request): Response
    {
        return $this->page($request->query);
    }

    #[Route('/instruments/simulated', name: 'instrument_simulate', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function send(Request $request): Response
    {
        return $this->page($request->request, $request->request->getString('row'));
    }

    /** @param InputBag<string> $given preset, number, check */
    private function page(InputBag $given, ?string $row = null): Response
    {
        $preset = $given->getString('preset');
        $known = array_keys($this->catalogue->presets);
        $preset = \in_array($preset, $known, true) ? $preset : (string) $known[0];
        $number = max(1, min(self::MOST, (int) $given->getString('number')));
        $checks = $this->instrument->checks(Layout::fromArray($this->catalogue->vehicle($preset)));
        $at = $checks[$given->getString('check')] ?? $checks[array_key_first($checks)];
        [$vehicle, $suspect] = $this->vehicles->drawn($preset, $number) ?? [null, null];
        $now = null === $vehicle || null === $row ? null : $this->read($vehicle, $at, $row);

        return $this->render('shop/simulated.html.twig', [
            'presets' => array_keys($this->catalogue->presets),
            'preset' => $preset,
            'number' => $number,
            'checks' => array_map(fn (CheckAt $check): string => $this->say->check($check), $checks),
            'check' => (string) $at,
            'rows' => null === $vehicle ? null : $this->rows($vehicle, $at),
            'row' => $row,
            'now' => $now,
            'hidden' => null === $suspect ? null : $this->say->suspect($suspect),
        ]);
    }

    /** @return array<string, string> name of each row that it can read */
    private function rows(HiddenVehicle $vehicle, CheckAt $at): array
    {
        $names = [];
        foreach ($this->instrument->reads($vehicle, $at) as $row => $read) {
            $names[$row] = $this->say->row($at, (string) $row);
        }

        return $names;
    }

    /** Reads and sends one row; null where this vehicle has no such row. */
    private function read(HiddenVehicle $vehicle, CheckAt $at, string $row): ?string
    {
        [$unit, $figure] = $this->instrument->reads($vehicle, $at)[$row] ?? [null, 0.0];
        if (null === $unit) {
            return null;
        }
        $line = InstrumentReading::line($unit, $figure, $this->say->ui('instrument.simulated'), $this->clock->now());
        $reading = InstrumentReading::parse($line);
        $this->readings->keep($reading, $this->clock->now());
        $this->readings->tidy();

        return $reading->measured->typed;
    }
}
