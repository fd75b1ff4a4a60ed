<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Log\Payload\CannotPayload;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\CountersignPayload;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\MendedPayload;
use Rodrel\Core\Log\Payload\OverridePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\PhotoPayload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\RoundPayload;
use Rodrel\Core\Log\Payload\SettledPayload;
use Rodrel\Core\Log\Payload\SpentPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\SurprisePayload;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Payload\WaivePayload;
use Rodrel\Core\Shape;

/** What a line of the log says; its payload class has the rest. */
enum Kind: string
{
    case Intake = 'intake';
    case Reading = 'reading';
    case Round = 'round';
    case Figures = 'figures';
    case Lift = 'lift';
    case Cannot = 'cannot';
    case Cool = 'cool';
    case Together = 'together';
    case Undo = 'undo';
    case Finding = 'finding';
    case Line = 'line';
    case Prepared = 'prepared';
    case Step = 'step';
    case Surprise = 'surprise';
    case Confirm = 'confirm';
    case Repaired = 'repaired';
    case BleedSetup = 'bleed-setup';
    case Bleed = 'bleed';
    case Bled = 'bled';
    case Waive = 'waive';
    case Override = 'override';
    case Photo = 'photo';
    case Item = 'item';
    case Settled = 'settled';
    case Quote = 'quote';
    case Spent = 'spent';
    case Handover = 'handover';
    case Countersign = 'countersign';
    case Mended = 'mended';
    case Closed = 'closed';

    private const PAYLOADS = [
        'intake' => IntakePayload::class,
        'reading' => ReadingPayload::class,
        'round' => RoundPayload::class,
        'figures' => FiguresPayload::class,
        'lift' => LiftPayload::class,
        'cannot' => CannotPayload::class,
        'cool' => CoolPayload::class,
        'together' => TogetherPayload::class,
        'undo' => UndoPayload::class,
        'finding' => FindingPayload::class,
        'line' => LinePayload::class,
        'prepared' => PreparedPayload::class,
        'step' => StepPayload::class,
        'surprise' => SurprisePayload::class,
        'confirm' => ConfirmPayload::class,
        'repaired' => RepairedPayload::class,
        'bleed-setup' => BleedSetupPayload::class,
        'bleed' => BleedPayload::class,
        'bled' => BledPayload::class,
        'waive' => WaivePayload::class,
        'override' => OverridePayload::class,
        'photo' => PhotoPayload::class,
        'item' => ItemPayload::class,
        'settled' => SettledPayload::class,
        'quote' => QuotePayload::class,
        'spent' => SpentPayload::class,
        'handover' => HandoverPayload::class,
        'countersign' => CountersignPayload::class,
        'mended' => MendedPayload::class,
        'closed' => ClosedPayload::class,
    ];

    /** @return class-string<Payload> */
    public function payloadClass(): string
    {
        return self::PAYLOADS[$this->value];
    }

    /**
     * @param array<array-key, mixed> $payload decoded JSON of this or an older format
     *
     * @throws InvalidData with the JSON pointer of what is wrong
     */
    public function read(array $payload): Payload
    {
        return $this->payloadClass()::read(new Shape($payload, '/'.$this->value));
    }

    /** A lead's alone. */
    public function isLeads(): bool
    {
        return match ($this) {
            self::Waive, self::Override, self::Countersign => true,
            default => false,
        };
    }

    /**
     * What a device may keep while there is no network, and date by how long ago it was made. All else, a lead's act, a
     * second look, a signature, is made when the shop takes it in, whatever a device says.
     */
    public function mayWait(): bool
    {
        return match ($this) {
            self::Reading, self::Round, self::Cannot, self::Figures, self::Lift, self::Cool, self::Together,
            self::Prepared, self::Step, self::Surprise, self::BleedSetup, self::Bleed, self::Photo, self::Item,
            self::Settled, self::Line, self::Quote, self::Spent => true,
            default => false,
        };
    }

    /** A signature, waiver, override or handover: what lets something through. */
    public function opensGates(): bool
    {
        return match ($this) {
            self::Finding, self::Confirm, self::Waive, self::Override, self::Handover, self::Countersign => true,
            default => false,
        };
    }
}
