<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Bleeding\BleedPoint;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\BleedHow;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Log\Payload\CannotPayload;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\CountersignPayload;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\OverridePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\SettledPayload;
use Rodrel\Core\Log\Payload\SpentPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\SurprisePayload;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Payload\WaivePayload;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\StepAt;
use Symfony\Component\HttpFoundation\InputBag;

/** Turns what a form sent into what an entry says; every complaint says what to do. */
final readonly class FormReader
{
    private const COLOUR_LENGTH = 60;
    private const MOST_STROKES = 5000;

    public function __construct(
        private Catalogue $catalogue,
        private Fields $fields,
        private IntakeForm $intake,
        private ReadingForm $readings,
        private RoundForm $rounds,
        private FiguresForm $figures,
    ) {
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @throws InvalidInput
     */
    public function read(Kind $kind, InputBag $form): Payload
    {
        $text = fn (string $key, string $complaint = 'input.missing'): string => $this->fields->text(
            $form,
            $key,
            $complaint,
        );

        return match ($kind) {
            Kind::Intake => $this->intake->read($form),
            Kind::Reading => $this->readings->read($form),
            Kind::Round => $this->rounds->read($form),
            Kind::Figures => $this->figures->read($form),
            Kind::Lift => new LiftPayload(
                Lift::from($this->fields->choice($form, 'to', ['ground', 'raised', 'wheels-off'])),
                $form->getBoolean('stands'),
            ),
            Kind::Cannot => $this->cannot($form),
            Kind::Cool => new CoolPayload(),
            Kind::Together => new TogetherPayload(
                ApartAt::tryParse($text('what')) ?? throw InvalidInput::because('input.missing'),
            ),
            Kind::Bled => new BledPayload(),
            Kind::Handover => new HandoverPayload(),
            Kind::Undo => new UndoPayload($text('cancels'), $this->fields->optional($form, 'reason')),
            Kind::Prepared => new PreparedPayload($text('item')),
            Kind::Step => $this->step($form),
            Kind::Confirm => new ConfirmPayload($text('step')),
            Kind::Repaired => new RepairedPayload($this->group($text('group')), $text('sheet'), $this->also($form)),
            Kind::Line => new LinePayload(
                $this->group($text('group')),
                $form->getBoolean('in'),
                $this->fields->choice($form, 'why', LinePayload::WHYS),
                $this->fields->optional($form, 'part'),
                $form->getBoolean('off') ? $text('reason', 'input.reason') : '',
                $form->getBoolean('off') ? $this->fields->optional($form, 'until') : '',
            ),
            Kind::Surprise => new SurprisePayload(
                $text('sheet'),
                $text('step'),
                $text('surprise'),
                $this->fields->optional($form, 'note'),
            ),
            Kind::Bleed => $this->bleed($form),
            Kind::BleedSetup => $this->bleedSetup($form),
            Kind::Waive => new WaivePayload($text('criterion'), $text('reason', 'input.reason')),
            Kind::Override => new OverridePayload($text('gate'), $text('reason', 'input.reason')),
            Kind::Countersign => new CountersignPayload($text('countersigns')),
            Kind::Item => $this->item($form),
            Kind::Settled => new SettledPayload($text('item')),
            Kind::Quote => $this->quote($form),
            Kind::Spent => new SpentPayload(
                $this->fields->choice($form, 'what', SpentPayload::WHATS),
                $this->fields->optional($form, 'text'),
                $this->fields->cents($form, 'price'),
                $this->fields->cents($form, 'core'),
                $this->fields->count($form, 'minutes'),
                $this->fields->optional($form, 'day'),
            ),
            Kind::Closed => new ClosedPayload(
                $this->fields->choice($form, 'why', ClosedPayload::WHYS, 'input.close-why'),
                $text('reason', 'input.reason'),
            ),
            Kind::Mended, Kind::Photo => throw InvalidInput::because('input.picture-missing'),
            Kind::Finding => throw InvalidInput::because('input.finding'),
        };
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function cannot(InputBag $form): CannotPayload
    {
        $check = CheckAt::tryParse($this->fields->text($form, 'check'));
        // a row of its own stands under 0: a form has no empty name
        $rows = array_map(
            static fn (mixed $one): string => '0' === $one || !\is_string($one) ? '' : $one,
            array_values($form->all('rows')),
        );
        if (null === $check || [] === $rows) {
            throw InvalidInput::because('input.cannot');
        }

        return new CannotPayload($check, $rows, $this->fields->optional($form, 'reason'));
    }

    private function group(string $typed): GroupAt
    {
        return GroupAt::tryParse($typed) ?? throw InvalidInput::because('input.group');
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return list<GroupAt>
     */
    private function also(InputBag $form): array
    {
        return array_map(
            fn (mixed $one): GroupAt => $this->group(\is_string($one) ? $one : ''),
            array_values($form->all('also')),
        );
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function quote(InputBag $form): QuotePayload
    {
        $had = !$form->getBoolean('unobtainable');
        $price = $this->fields->cents($form, 'price');
        if ($had && 0 === $price) {
            throw InvalidInput::because('input.quote');
        }

        return new QuotePayload(
            $this->group($this->fields->text($form, 'group')),
            $this->fields->text($form, 'from'),
            $had ? $price : 0,
            $had ? $this->fields->cents($form, 'core') : 0,
            $this->fields->count($form, 'days'),
            $this->fields->count($form, 'months'),
            $this->fields->optional($form, 'fits'),
        );
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function item(InputBag $form): ItemPayload
    {
        $refused = $form->getBoolean('refused');

        return new ItemPayload(
            $this->fields->text($form, 'text', 'input.item'),
            $this->fields->optional($form, 'due'),
            $form->getBoolean('safety'),
            $refused,
            $refused ? $this->fields->text($form, 'reason', 'input.reason') : '',
            $refused ? $this->fields->text($form, 'told') : '',
        );
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function step(InputBag $form): StepPayload
    {
        $step = $this->fields->text($form, 'step');
        $figure = null;
        if ('' !== $this->fields->optional($form, 'figure')) {
            $quantity = $this->measures($step);
            $figure = Figure::of($this->fields->measured($form, 'figure', $quantity, $quantity->coreUnit()));
        }

        $how = $form->getString('how', StepPayload::DONE);

        return new StepPayload(
            $this->fields->text($form, 'sheet'),
            $step,
            $figure,
            \in_array($how, StepPayload::HOWS, true) ? $how : StepPayload::DONE,
            StepPayload::DONE === $how ? '' : $this->fields->text($form, 'note', 'input.reason'),
        );
    }

    private function measures(string $step): Quantity
    {
        foreach ($this->catalogue->repairs->procedures as $procedure) {
            foreach ($procedure->steps as $known) {
                if ($known->id === StepAt::done($step) && null !== $known->figure) {
                    return $known->figure->measures;
                }
            }
        }
        throw InvalidInput::because('input.no-figure');
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function bleed(InputBag $form): BleedPayload
    {
        $count = static function (string $key) use ($form): int {
            $range = ['options' => ['min_range' => 0, 'max_range' => self::MOST_STROKES]];
            $number = filter_var($form->get($key), \FILTER_VALIDATE_INT, $range);

            return \is_int($number) ? $number : throw InvalidInput::because('input.strokes');
        };
        $corners = array_map(static fn (Corner $corner): string => $corner->value, Corner::cases());
        $places = [...$corners, ...BleedPoint::ELSEWHERE];
        $unit
            = '' === $this->fields->optional($form, 'unit')
                ? BleedPayload::UNITS[0]
                : $this->fields->choice($form, 'unit', BleedPayload::UNITS);
        $pressed = '' === $this->fields->optional($form, 'pressure')
            ? 0.0
            : Figure::of(
                $this->fields->measured($form, 'pressure', Quantity::Pressure, Quantity::Pressure->coreUnit()),
            )->core;
        $bleeder = $this->fields->optional($form, 'bleeder');

        return new BleedPayload(
            new BleedPoint(
                $this->fields->choice($form, 'corner', $places),
                \in_array($bleeder, BleedPoint::BLEEDERS, true) ? $bleeder : '',
            ),
            $count('strokes'),
            $unit,
            $this->fields->choice($form, 'bubbles', BleedPayload::BUBBLES, 'input.bubbles'),
            $count('clear'),
            $this->fields->optional($form, 'colour', self::COLOUR_LENGTH),
            new BleedHow(
                $this->fields->optional($form, 'method'),
                $this->fields->count($form, 'minutes'),
                (int) round($pressed),
            ),
        );
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function bleedSetup(InputBag $form): BleedSetupPayload
    {
        $own = [];
        $typed = mb_strtolower($this->fields->optional($form, 'own'));
        foreach (preg_split('/[\s,;>]+/', $typed, -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $own[$word] = Corner::tryFrom($word) ?? throw InvalidInput::because('input.own-order');
        }
        $fluids = array_keys($this->catalogue->bleeding->fluids);

        return new BleedSetupPayload(
            $this->fields->choice($form, 'method', array_keys($this->catalogue->bleeding->methods), 'input.method'),
            $this->fields->choice($form, 'plate', $fluids, 'input.fluid'),
            $this->fields->choice($form, 'fluid', $fluids, 'input.fluid'),
            $this->fields->choice($form, 'purpose', BleedSetupPayload::PURPOSES),
            array_values($own),
            $this->fields->optional($form, 'lot', self::COLOUR_LENGTH),
            \in_array($form->getString('pads'), BleedSetupPayload::PADS, true) ? $form->getString('pads') : '',
        );
    }
}
