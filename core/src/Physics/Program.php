<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What is done at the pedal and when the vehicle is looked at. */
final readonly class Program
{
    /** A firm press with the engine on (N; handbook). */
    public const FIRM_N = 150.0;
    /** A light hold, engine on, and a firm one with the engine off (N; handbook). */
    public const LIGHT_N = 30.0;
    public const FIRM_OFF_N = 200.0;
    /** Sample indices of press(): at the end of the hold, then so many seconds after the foot is off. */
    public const HELD = 0;
    public const AFTER_1_S = 1;
    public const AFTER_4_S = 2;
    public const AFTER_5_S = 3;
    public const AFTER_6_S = 4;
    public const AFTER_17_S = 5;
    public const AFTER_30_S = 6;
    public const AFTER_60_S = 7;
    public const AFTER_300_S = 8;
    /** Seconds since the foot is off, by sample. */
    public const SINCE_OFF_S = [
        self::AFTER_1_S => 1.0,
        self::AFTER_4_S => 4.0,
        self::AFTER_5_S => 5.0,
        self::AFTER_6_S => 6.0,
        self::AFTER_17_S => 17.0,
        self::AFTER_30_S => 30.0,
        self::AFTER_60_S => 60.0,
        self::AFTER_300_S => 300.0,
    ];
    /** Sample indices of hold(). */
    public const HOLD_1_S = 0;
    public const HOLD_5_S = 1;
    public const HOLD_15_S = 2;
    public const HOLD_END = 3;
    public const AGAIN_1_S = 4;
    public const AGAIN_15_S = 5;
    /** Sample indices of start(). */
    public const BEFORE_START = 0;
    public const STARTED_2_S = 1;
    /** Sample indices of stop(): the first instant, and the stop as it goes on. */
    public const FIRST_INSTANT = 0;
    public const WHOLE_STOP = 1;
    /** A pumped pedal is read to a millimetre: a sixteenfold tolerance moves it by half of one at most. */
    private const MILLIMETRES = 16.0;
    /** Effort in words, with 40 % of noise: a fourfold tolerance moves it by less than a hundredth. */
    private const WORDS = 4.0;
    /** The foot comes on in so many seconds, and a press is mostly held for so many. */
    private const ON_S = 0.4;
    public const HELD_S = 3.0;

    /**
     * @param non-empty-list<float> $sampleAt seconds, rising
     * @param float $coarse tolerance over the usual one: only millimetres of pedal, or words of effort, are read from
     *     it
     * @param Supply $supply of the booster
     * @param self|null $stem another program that this one begins as and goes on from where that ends: what many begin
     *     with is simulated once. Its samples are those of this one as far as it goes, and it has the finer tolerance.
     */
    public function __construct(
        public string $id,
        public Foot $foot,
        public array $sampleAt,
        public float $coarse,
        public Supply $supply,
        public ?self $stem = null,
    ) {
    }

    /** Press, hold, let go, engine running: the press of every spin and of every trap. */
    public static function press(float $forceN = self::FIRM_N, float $holdS = self::HELD_S): self
    {
        return new self(
            \sprintf('press-%g-%g', $forceN, $holdS),
            Foot::press($forceN, self::ON_S, $holdS),
            self::samples(self::ON_S + $holdS, self::ON_S + $holdS + 0.2),
            1.0,
            Supply::engine(),
            self::HELD_S === $holdS ? self::foot($forceN, true) : null,
        );
    }

    /** What a press and a hold with the same force begin with: the foot comes on and stays. */
    private static function foot(float $forceN, bool $engine): self
    {
        return new self(
            \sprintf('foot-%g%s', $forceN, $engine ? '' : '-off'),
            Foot::hold($forceN),
            [self::ON_S + 1.0, self::ON_S + self::HELD_S],
            $engine ? 1.0 : self::WORDS,
            $engine ? Supply::engine() : Supply::spent(),
        );
    }

    /** The press of a check: the firm one, or another looked at only as long as its words want. */
    public static function pressFor(float $forceN, float $holdS): self
    {
        return self::FIRM_N === $forceN ? self::press($forceN, $holdS) : self::shortPress($forceN, $holdS);
    }

    /** The same, looked at no longer than four seconds after letting go. */
    public static function shortPress(float $forceN, float $holdS = self::HELD_S): self
    {
        $long = self::press($forceN, $holdS);

        return new self(
            'short-'.$long->id,
            $long->foot,
            \array_slice($long->sampleAt, 0, self::AFTER_4_S + 1),
            self::WORDS,
            Supply::engine(),
        );
    }

    /** The same with the vacuum spent. */
    public static function pressEngineOff(float $forceN): self
    {
        $on = self::shortPress($forceN);
        $stem = self::foot($forceN, false);

        return new self('off-'.$on->id, $on->foot, $on->sampleAt, self::WORDS, $stem->supply, $stem);
    }

    /** Engine off, 60 kPa from a hand pump at the booster. */
    public static function handPump(): self
    {
        $on = self::shortPress(200.0);

        return new self('hand-pump-'.$on->id, $on->foot, $on->sampleAt, self::WORDS, Supply::handPump(60.0));
    }

    /** Ten quick presses, then let go: what each release draws in stays behind a covered port. */
    public static function series(): self
    {
        $foot = Foot::strokes(10, 100.0);

        $at = self::samples($foot->end() - 0.35, $foot->end() - 0.15);

        return new self('series', $foot, $at, 1.0, Supply::engine());
    }

    /** A moderate stop from the road: 80 N in 0.2 s. */
    public static function stop(): self
    {
        return new self('stop', Foot::press(80.0, 0.2, 2.0), [0.3, 2.0], 1.0, Supply::engine());
    }

    /** @return non-empty-list<float> */
    private static function samples(float $held, float $off): array
    {
        return [$held, ...array_map(static fn (float $after): float => $off + $after, array_values(self::SINCE_OFF_S))];
    }

    /** Three quick strokes to 100 N and another one five seconds later; seen at the end of each. */
    public static function pump(): self
    {
        return new self(
            'pump',
            Foot::strokes(3, 100.0, 5.0),
            [0.55, 1.4, 2.25, 2.25 + 0.15 + 5.0 + 0.55],
            self::MILLIMETRES,
            Supply::engine(),
        );
    }

    /** A steady hold: seen at 1, 5 and 15 s and at its end. */
    public static function hold(float $forceN, float $seconds, bool $engine = true): self
    {
        return new self(
            \sprintf('hold-%g-%g%s', $forceN, $seconds, $engine ? '' : '-off'),
            Foot::hold($forceN),
            [self::ON_S + 1.0, self::ON_S + 5.0, self::ON_S + 15.0, self::ON_S + $seconds],
            self::MILLIMETRES,
            $engine ? Supply::engine() : Supply::spent(),
            !$engine && self::FIRM_OFF_N === $forceN ? self::foot($forceN, false) : null,
        );
    }

    /** The firm hold, let go, and at once another one: seen at 1 and 15 s of that as well. */
    public static function holdTwice(): self
    {
        $once = self::hold(self::FIRM_N, 30.0);

        return new self(
            'twice-'.$once->id,
            Foot::holdTwice(self::FIRM_N, 30.0),
            [...$once->sampleAt, 33.0, 47.0],
            self::MILLIMETRES,
            Supply::engine(),
            self::foot(self::FIRM_N, true),
        );
    }

    /** Vacuum spent, the foot kept on, then the engine started: seen before, two seconds after and six. */
    public static function start(): self
    {
        return new self('start', Foot::hold(80.0), [2.9, 5.0, 9.0], self::MILLIMETRES, Supply::engineFrom(3.0));
    }

    public function end(): float
    {
        return $this->sampleAt[\count($this->sampleAt) - 1];
    }
}
