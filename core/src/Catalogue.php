<?php

declare(strict_types=1);

namespace Rodrel\Core;

use Rodrel\Core\Bleeding\BleedBook;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\ObserverKind;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Repair\Procedure;
use Rodrel\Core\Repair\Repair;
use Rodrel\Core\Vehicle\Composer;

/** Everything the trade knows, as read from `core/data/*.json`: faults, checks, repairs, procedures, presets. */
final readonly class Catalogue
{
    /**
     * @param non-empty-array<string, Fault> $faults
     * @param non-empty-array<string, Check> $checks
     * @param array<string, Repair>          $repairs
     * @param array<string, Procedure>       $procedures
     * @param array<string, array<mixed>>    $presets    documents for Layout::fromArray()
     * @param array<string, Drive>           $drives
     */
    private function __construct(
        public array $faults,
        public array $checks,
        public array $repairs,
        public array $procedures,
        public array $presets,
        public array $drives,
        public BleedBook $bleeding,
        public string $hash,
    ) {
    }

    /**
     * @param array{faults: array<mixed>, checks: array<mixed>, repairs: array<mixed>, procedures: array<mixed>, presets: array<mixed>, drives: array<mixed>, bleeding: array<mixed>} $documents decoded files
     *
     * @throws InvalidData with the JSON pointer of the first wrong value
     */
    public static function fromArray(array $documents): self
    {
        $faults = $checks = $repairs = $procedures = $presets = $drives = [];
        foreach ((new Shape($documents['faults'], '/faults'))->each('faults') as $shape) {
            $fault = Fault::fromShape($shape);
            $faults[$fault->id] = $fault;
        }
        foreach ((new Shape($documents['checks'], '/checks'))->each('checks') as $shape) {
            $check = Check::fromShape($shape);
            $checks[$check->id] = $check;
        }
        foreach ((new Shape($documents['repairs'], '/repairs'))->each('repairs') as $id => $shape) {
            $repairs[$id] = Repair::fromShape($id, $shape);
        }
        foreach ((new Shape($documents['procedures'], '/procedures'))->each('procedures') as $id => $shape) {
            $procedures[$id] = Procedure::fromShape($id, $shape);
        }
        foreach ((new Shape($documents['presets'], '/presets'))->raw('presets') as $id => $preset) {
            $presets[(string) $id] = \is_array($preset) ? $preset : throw InvalidData::at('/presets/presets/'.$id, 'an object is expected');
        }
        foreach ((new Shape($documents['drives'], '/drives'))->each('drives') as $id => $shape) {
            $drives[$id] = Drive::fromShape($id, $shape);
        }
        if ([] === $faults || [] === $checks) {
            throw InvalidData::at('/faults', 'a catalogue without faults or checks says nothing');
        }
        self::crossCheck($faults, $checks, $repairs, $procedures);
        self::crossCheckDrives($checks, $drives);

        return new self($faults, $checks, $repairs, $procedures, $presets, $drives, BleedBook::fromShape(new Shape($documents['bleeding'], '/bleeding')), hash('sha256', serialize($documents)));
    }

    /**
     * The layout document of a vehicle: a preset, or composed from its parts.
     *
     * @param array<array-key, mixed> $parts
     *
     * @return array<array-key, mixed> for Layout::fromArray()
     *
     * @throws InvalidData when there is no such preset, or the parts do not go together
     */
    public function vehicle(string $preset, array $parts = []): array
    {
        return [] !== $parts ? Composer::compose($parts) : $this->presets[$preset] ?? throw InvalidData::at('/preset', \sprintf('there is no preset "%s"', $preset));
    }

    public function check(string $idAtPlace): Check
    {
        $id = explode('@', $idAtPlace)[0];

        return $this->checks[$id] ?? throw InvalidData::at('/check', \sprintf('there is no check "%s"', $id));
    }

    /** @throws InvalidData when there is no such repair */
    public function repair(string $group): Repair
    {
        $id = explode('@', $group)[0];

        return $this->repairs[$id] ?? throw InvalidData::at('/repair', \sprintf('there is no repair "%s"', $id));
    }

    /**
     * @param array<string, Check> $checks
     * @param array<string, Drive> $drives
     */
    private static function crossCheckDrives(array $checks, array $drives): void
    {
        foreach ($checks as $check) {
            foreach ($check->rows as $observer) {
                if (null !== $observer->drive && !isset($drives[$observer->drive])) {
                    throw InvalidData::at('/checks/'.$check->id.'/drive', \sprintf('there is no drive "%s"', $observer->drive));
                }
            }
        }
    }

    /**
     * @param array<string, Fault>     $faults
     * @param array<string, Check>     $checks
     * @param array<string, Repair>    $repairs
     * @param array<string, Procedure> $procedures
     */
    private static function crossCheck(array $faults, array $checks, array $repairs, array $procedures): void
    {
        foreach ($faults as $fault) {
            if (!isset($repairs[$fault->repair])) {
                throw InvalidData::at('/faults/'.$fault->id.'/repair', \sprintf('there is no repair "%s"', $fault->repair));
            }
            foreach ($fault->confirm as $check) {
                if (!isset($checks[$check])) {
                    throw InvalidData::at('/faults/'.$fault->id.'/confirm', \sprintf('there is no check "%s"', $check));
                }
            }
            foreach ($fault->signs as $check => $chances) {
                [$id, $row] = [...explode('/', $check), null];
                $rows = isset($checks[$id]) ? $checks[$id]->rows : [];
                $words = null === $row ? $rows[array_key_first($rows) ?? ''] ?? null : $rows[$row] ?? null;
                if (null === $words || ObserverKind::Sign !== $words->kind || \count($words->words) !== \count($chances)) {
                    throw InvalidData::at('/faults/'.$fault->id.'/signs/'.$check, 'a sign check with as many words is expected');
                }
            }
        }
        foreach ($repairs as $repair) {
            if (!isset($procedures[$repair->procedure])) {
                throw InvalidData::at('/repairs/'.$repair->id.'/procedure', \sprintf('there is no procedure "%s"', $repair->procedure));
            }
        }
    }
}
