<?php

declare(strict_types=1);

namespace App\History;

use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use App\Text\Letters;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Condition;
use Rodrel\Core\Job\ConditionLine;
use Rodrel\Core\Job\Due;
use Rodrel\Core\Job\MeasuredLine;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Quantity\Quantity;

/** The condition report: what is due now, soon, good and what nobody looked at, with figures and prices. */
final readonly class ConditionView
{
    public function __construct(
        private VehicleHistory $history,
        private Catalogue $catalogue,
        private ShopSettings $shop,
        private Say $say,
        private Units $units,
    ) {
    }

    public function of(LoadedJob $loaded): ConditionPage
    {
        $measured = $this->history->measurements($loaded->job->vehicleId());
        $lines = $priced = [];
        $cents = $minutes = 0.0;
        foreach (Condition::of($this->catalogue, $loaded->state, $measured) as $line) {
            $price = null === $line->repair ? null : $this->cents($line->repair);
            $key = null === $line->repair ? '' : $this->once($line->repair, $line);
            if (null !== $price && !isset($priced[$key]) && Due::Good !== $line->due) {
                $cents += $price;
                $priced[$key] = true;
            }
            $minutes += Due::NotSeen === $line->due && null !== $line->check
                ? $this->catalogue->checks->of($line->check)->demand->minutes
                : 0.0;
            $lines[$line->due->value][] = [
                'what' => $this->what($line),
                'seen' => $this->seen($line),
                'do' => null === $line->repair ? '' : $this->say->text('repair.'.$line->repair.'.do'),
                'price' => $price ?? 0.0,
                'check' => null === $line->check ? null : (string) $line->check,
            ];
        }

        return new ConditionPage(
            lines: $lines,
            refused: array_values(array_map(
                fn (Entry $entry): string => $this->say->item($entry->payload),
                array_filter(
                    $loaded->state->story->openItems(),
                    static fn (Entry $entry): bool => $entry->payload->refused,
                ),
            )),
            sum: $cents,
            minutesLeft: (int) ceil($minutes),
        );
    }

    /** What is paid once: a repair at its place; what is renewed by the axle, at its axle. */
    private function once(string $repair, ConditionLine $line): string
    {
        $corner = $line->figures->corner ?? $line->check?->place->corner();
        $place = $line->check->place->id ?? $corner->value ?? '';
        $byAxle = 'axle' === $this->catalogue->repairs->of($repair)->drawn && null !== $corner;

        return $repair.' '.($byAxle ? ($corner->isFront() ? 'front' : 'rear') : $place);
    }

    private function what(ConditionLine $line): string
    {
        if (null !== $line->figures) {
            return $this->say->ui('condition.part', [
                'part' => Letters::up($this->say->text('part.'.$line->figures->part)),
                'place' => $this->say->place($line->figures->corner->value),
            ]);
        }
        $name = null === $line->check ? '' : $this->say->check($line->check);
        $row = null === $line->check || '' === $line->row || Due::NotSeen === $line->due
            ? '' : $this->say->row($line->check, $line->row);

        return '' === $row ? $name : $name.': '.$row;
    }

    private function seen(ConditionLine $line): string
    {
        return match (true) {
            null !== $line->figures => $this->figures($line->figures),
            null === $line->check || '' === $line->word => '',
            default => $this->say->word($line->check, $line->row, $line->word),
        };
    }

    private function figures(MeasuredLine $figures): string
    {
        $past = $figures->leftMm < 0.0;

        return $this->say->ui($past ? 'condition.past' : (null === $figures->km ? 'condition.left' : 'condition.km'), [
            'mm' => $this->units->say(round($figures->mm, 1), Quantity::Length),
            'left' => $this->units->say(round(abs($figures->leftMm), 1), Quantity::Length),
            'km' => Distance::roundly((int) $figures->km),
        ]);
    }

    private function cents(string $repair): float
    {
        $labour = $this->shop->isolation()->labour;

        return $this->catalogue->repairs->of($repair)->costCents($labour->rateCentsPerMinute, $labour->fluidCentsPerMl);
    }
}
