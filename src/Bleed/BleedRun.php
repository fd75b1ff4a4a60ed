<?php

declare(strict_types=1);

namespace App\Bleed;

use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\BleedHow;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Vocabulary\GroupAt;

/** The bleed run of a job as far as it has come: plan, what was logged, which bleeders are done. */
final readonly class BleedRun
{
    private const FIRST_METHOD = 'pedal';

    public function __construct(private Catalogue $catalogue, private ShopSettings $shop)
    {
    }

    public function school(): BleedOrder
    {
        return BleedOrder::tryFrom((string) $this->shop->practice()->bleedOrder) ?? BleedOrder::FarthestFirst;
    }

    /** What the run was set up as; a run that nobody set up is bled by pedal. */
    public function setup(LoadedJob $loaded): ?BleedSetupPayload
    {
        $setups = $loaded->state->story->now()->said(BleedSetupPayload::class);

        return $setups[\count($setups) - 1] ?? null;
    }

    public static function usual(): BleedSetupPayload
    {
        return new BleedSetupPayload(self::FIRST_METHOD, 'glycol', 'glycol', 'opened');
    }

    /** Null where nothing has to be bled. */
    public function plan(LoadedJob $loaded): ?BleedPlan
    {
        $changed = $loaded->state->changed();
        $opened = BleedPlan::opened($this->catalogue->repairs, $changed);
        $setup = $this->setup($loaded) ?? self::usual();
        $repairs = array_map(static fn (GroupAt $one): string => $one->id, $changed);

        return [] === $opened
            ? null
            : BleedPlan::of($loaded->layout, $opened, $this->school(), $setup->own, $repairs);
    }

    /** Whether every bleeder ran clear and without bubbles. */
    public function isThrough(LoadedJob $loaded): bool
    {
        $plan = $this->plan($loaded);

        return null !== $plan && !\in_array(false, $plan->done($this->log($loaded)), true);
    }

    /**
     * @return list<array{key: string, strokes: int, unit: string, bubbles: string, clear: float, needs: float,
     *                    colour: string, how: BleedHow}>
     */
    public function log(LoadedJob $loaded): array
    {
        $methods = $this->catalogue->bleeding->methods;
        $usual = $methods[($this->setup($loaded) ?? self::usual())->method] ?? $methods[self::FIRST_METHOD];

        return array_map(static fn (BleedPayload $bled): array => [
            'key' => $bled->at->key(),
            'strokes' => $bled->count,
            'unit' => $bled->unit,
            'bubbles' => $bled->bubbles,
            'clear' => (float) $bled->clear,
            'needs' => ($methods[$bled->how->method] ?? $usual)->clear,
            'colour' => $bled->colour,
            'how' => $bled->how,
        ], $loaded->state->story->now()->said(BleedPayload::class));
    }
}
