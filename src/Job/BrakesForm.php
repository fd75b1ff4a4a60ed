<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use App\Vehicle\VehicleKind;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Composer;
use Symfony\Component\HttpFoundation\InputBag;

/** Four questions about a vehicle's brakes, or its parts, and the kind of vehicle that they make. */
final readonly class BrakesForm
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array<string, mixed> the form as it would be filled in for such a vehicle */
    public function of(VehicleKind $kind): array
    {
        $brakes = [] !== $kind->parts
            ? ['own_parts' => 'yes'] + $kind->parts
            : (array) ($this->catalogue->presets[$kind->preset]['questions']
                ?? ['own_parts' => 'yes'] + (array) ($this->catalogue->presets[$kind->preset]['parts'] ?? []));
        $rear = $brakes['rear'] ?? '';
        if (\in_array($rear, \array_slice(Composer::REAR_DISCS, 1), true)) {
            $brakes = ['rear' => 'disc', 'rear_parking' => $rear] + $brakes;
        }

        return ['anti_lock' => true === ($brakes['anti_lock'] ?? null) ? 'yes' : 'no'] + $brakes;
    }

    /**
     * The preset that fits the answers; where none does, the vehicle is composed from its parts.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{string, array<string, mixed>} preset, parts
     */
    public function read(InputBag $form): array
    {
        $rear = $form->getString('rear');
        $parts = [
            'split' => $form->getString('split'),
            'front' => $form->getString('front') ?: 'disc',
            'rear' => 'disc' === $rear ? ($form->getString('rear_parking') ?: 'disc') : $rear,
            'assist' => $form->getString('assist', 'engine-vacuum'),
            'anti_lock' => 'yes' === $form->getString('anti_lock', 'yes'),
            'solid_axle' => $form->getBoolean('solid_axle'),
            'rear_valve' => $form->getBoolean('rear_valve'),
        ];
        foreach (['load_valve', 'shared_clutch'] as $rare) {
            $parts += $form->getBoolean($rare) ? [$rare => true] : [];
        }
        $parts = match ($parts['assist']) { // what is not asked of these kinds
            'compressed-air' => ['split' => 'front-rear', 'solid_axle' => true] + $parts,
            'oil-immersed' => ['split' => 'front-rear', 'front' => 'disc', 'rear' => 'disc', 'anti_lock' => false,
                'solid_axle' => true] + $parts,
            default => $parts,
        };
        foreach ($this->catalogue->presets as $id => $preset) {
            if ($parts == ($preset['parts'] ?? null)) {
                return [$id, []];
            }
        }
        $plain
            = 'yes' !== $form->getString('own_parts')
            && 'disc' === $parts['front']
            && !$parts['solid_axle']
            && !$parts['rear_valve']
            && !isset($parts['load_valve'])
            && !isset($parts['shared_clutch']);
        if ($plain) {
            $given = [
                'split' => $parts['split'],
                'rear' => $rear,
                'anti_lock' => $parts['anti_lock'],
                'assist' => $parts['assist'],
            ];
            foreach ($this->catalogue->presets as $id => $preset) {
                if (($preset['questions'] ?? null) === $given) {
                    return [$id, []];
                }
            }
        }
        try {
            Composer::compose($parts);
        } catch (InvalidData $impossible) {
            throw InvalidInput::because('input.'.basename($impossible->path));
        }

        return ['composed', $parts];
    }
}
