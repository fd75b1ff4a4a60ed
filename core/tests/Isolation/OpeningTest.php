<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Answers;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What an epoch starts from, and what each answer would leave of it: worked by hand on the toy field. */
final class OpeningTest extends TestCase
{
    /**
     * "Push yes" leaves hose 0.57375, caliper 0.02125 and 0.0192857 for both at once, over 0.6142857. The hose renewed:
     * 3 % of it are a faulty new part; the caliper keeps its own and gets all that two faults may have left: 0.4 of
     * what was cured, and what stood for both. A twentieth stays for what has no name.
     */
    public function testAfterARepairByHand(): void
    {
        $field = ToyField::make();
        $before = Belief::of($field, Opening::first($field, Context::none(), 0.15), [ToyField::reading('push', 'yes')]);
        $after = Opening::afterRepair($field, $before, [GroupAt::parse('hose@vehicle')], Context::none(), 0.4);
        $hose = 0.03 * 0.934012;
        $caliper = 0.034593 + 0.4 * 0.934012 + 0.031395;
        self::assertEqualsWithDelta(0.95 * $hose / ($hose + $caliper), $after->weights[0], 1e-6);
        self::assertEqualsWithDelta(0.95 * $caliper / ($hose + $caliper), $after->weights[1], 1e-6);
        self::assertEqualsWithDelta(0.05, $after->second, 1e-12);
    }

    /**
     * Hose ½, caliper, pins and nothing a sixth each: of two faults that differ ½ (1 − ¼ − 3/36) = ⅓ are such pairs,
     * and hose with pins is ½ · ⅙ of it: a quarter. So of the 0.15 that are two faults 0.0375 have this name.
     */
    public function testAPairByHand(): void
    {
        $field = self::withAPair();
        $opening = Opening::first($field, Context::none(), 0.15);
        $first = [0.425, 0.85 / 6.0, 0.85 / 6.0, 0.85 / 6.0, 0.0375];
        self::assertEqualsWithDelta($first, \array_slice($opening->weights, 0, 5), 1e-9);
        self::assertEqualsWithDelta(0.1125, $opening->second, 1e-9);
        $before = Belief::of($field, $opening, []);
        $after = static fn (string $group): array => \array_slice(Opening::afterRepair(
            $field,
            $before,
            [GroupAt::parse($group)],
            Context::none(),
            0.4,
        )->weights, 0, 5);
        // Of what nobody named each suspect comes first with its weight, and with those that four steps of the golden
        // section meet (hose up to 0.6, caliper to 0.8, then pins) and that have no name: hose with caliper (0.781),
        // caliper with hose (0.399, 0.017, 0.253), pins with caliper (0.725). 3 + 1 of the five hold the hose, all of
        // them the caliper.
        // 0.4 · 0.425 + 0.8 · 0.1125 = 0.26 are spread as before over those that stay; 0.57 · 0.425 are cured; of the
        // pair the pins are left. The rest is forgotten; all is made up to 0.95: a twentieth stays for what has no name
        $left = 0.85 / 6.0 + 0.26 / 3.0;
        $hose = [0.03 * 0.425, $left, $left + 0.0375, $left + 0.57 * 0.425, 0.0];
        $made = static fn (array $all): array => array_map(
            static fn (float $one): float => 0.95 * $one / array_sum($all),
            $all,
        );
        self::assertEqualsWithDelta($made($hose), $after('hose@vehicle'), 1e-9);
        // after the caliper the pair is whole: 0.4 · 0.141667 + 0.1125 over five sixths
        $shared = 0.4 * 0.85 / 6.0 + 0.1125;
        $other = 0.85 / 6.0 + $shared / 5.0;
        $caliper = [0.425 + 0.6 * $shared, 0.03 * 0.85 / 6.0, $other, $other + 0.57 * 0.85 / 6.0, 0.0375];
        self::assertEqualsWithDelta($made($caliper), $after('caliper@vehicle'), 1e-9);
    }

    /** What each answer would leave: of hose 0.6375, with the 0.15 for both at once, and caliper 0.2125. */
    public function testWhatAnswersWouldLeave(): void
    {
        $field = ToyField::make();
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), []);
        $push = $field->knowledge->checks->of('push');
        [$yes, $no] = (new Answers($belief))->of($push, Place::vehicle(), ['']);
        self::assertSame([['' => 'yes'], ['' => 'no']], [$yes[0], $no[0]]);
        foreach ([[$yes, [0.70875, 0.02125]], [$no, [0.07875, 0.19125]]] as [$answer, $masses]) {
            self::assertEqualsWithDelta(array_sum($masses), $answer[2], 1e-9);
            foreach ($masses as $group => $mass) {
                self::assertEqualsWithDelta($mass, $answer[1][$group], 1e-9);
            }
        }
        self::assertEqualsWithDelta([0.7875, 0.2125], (new Answers($belief))->masses(), 1e-9);
    }

    /** The lightest half percent of all doubt is not weighed, nor an answer that comes three times in a thousand. */
    public function testWhatIsTooLightToWeigh(): void
    {
        $groups = static function (float $caliper): int {
            $field = ToyField::make([0.9, $caliper], more: ['guide-pins.stuck' => 1.0]);
            $opening = Opening::first($field, Context::none(), 0.0);

            return \count((new Answers(Belief::of($field, $opening, [ToyField::reading('push', 'yes')])))->groups);
        };
        // pins show it half of the time: 0.2 · 0.003 = 0.0006 against 0.005 · (0.0006 + 0.1) = 0.0005; with 0.002 it is
        // 0.0004 against as much
        self::assertSame([3, 2], [$groups(0.003), $groups(0.002)]);
        $answers = static function (float $yes): int {
            $field = ToyField::make(look: [$yes, $yes]);
            $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), []);

            return \count((new Answers($belief))->of($field->knowledge->checks->of('look'), Place::vehicle(), ['']));
        };
        self::assertSame([2, 1], [$answers(0.0031), $answers(0.0029)]);
    }

    private static function withAPair(): Field
    {
        $row = static fn (float $yes): array => [
            'words' => ['yes', 'no'],
            'table' => [[$yes, 1.0 - $yes]],
            'index' => [0],
            'blunder' => 0.0,
            'noise' => 0.0,
            'cause' => '',
            'common' => 0.0,
        ];

        return ToyField::make(more: ['guide-pins.stuck' => 1.0, 'nothing.wrong' => 1.0])->withPairs(
            [[SuspectAt::parse('hose.one-way@vehicle'), SuspectAt::parse('guide-pins.stuck@vehicle')]],
            [FaultSignature::fromArray([
                'format' => 3,
                'key' => 'both',
                'fault' => 'both',
                'particles' => 1,
                'simulations' => 0,
                'rows' => ['push@vehicle' => $row(0.9), 'look@vehicle' => $row(0.5)],
            ])],
        );
    }
}
