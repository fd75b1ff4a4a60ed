<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Trial\Hidden;
use Rodrel\Core\Trial\Visit;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\PartAt;

/** The vehicle of a written job: it answers as its sheet says. */
final class Sheet implements Hidden
{
    private const SERIOUS = ['pedal-sinks', 'fluid-ground'];

    /** @var array<string, Answers> of the vehicle as it came in, and as each repair leaves it */
    private array $answers;
    private string $now = '';

    /**
     * @param list<string> $sound lines of a sound vehicle
     * @param CheckAt|null $slips the check that is answered with what a sound vehicle shows, the first time
     */
    public function __construct(
        private readonly Written $job,
        private readonly Checks $checks,
        private readonly Layout $layout,
        array $sound,
        private readonly Visit $visit,
        private readonly ?CheckAt $slips = null,
    ) {
        $this->answers = ['' => Answers::of($checks, $layout, $sound, $job->lines)];
        foreach ($job->after as $group => $lines) {
            $this->answers[$group] = Answers::of($checks, $layout, $sound, $lines);
        }
        $this->answers['sound'] = Answers::of($checks, $layout, $sound, []);
    }

    public function visit(): Visit
    {
        return $this->visit;
    }

    public function intake(): IntakePayload
    {
        $parts = [];
        $arrival = new Arrival(
            false,
            \in_array('driven-in', $this->job->told->known, true),
            \in_array('stood', $this->job->told->known, true),
        );
        foreach ($this->job->told->known as $known) {
            $words = Written::words($known);
            if ('fitted' === $words[0]) {
                $parts[] = new FittedPart(PartAt::anywhere($words[1] ?? ''), (int) ($words[2] ?? 1));
            }
        }
        // what such a vehicle's driver is not asked he does not say
        $asked = [] !== $this->checks->of('pattern')->everywhere($this->layout);

        $told = $this->job->told;

        return new IntakePayload($told->complaints, $asked ? $told->pattern : '', $arrival, $parts, '');
    }

    public function answer(CheckAt $at, int $time = 0): array
    {
        $slip = 0 === $time && true === $this->slips?->is($at);

        return $this->answers[$slip ? 'sound' : $this->now]->to($at);
    }

    public function isUnsure(CheckAt $at, int $time = 0): bool
    {
        return false;
    }

    public function repair(GroupAt $group): bool
    {
        $cures = \in_array((string) $group, $this->job->truth->cures(), true);
        if (isset($this->answers[(string) $group])) {
            $this->now = (string) $group;
        } elseif ($cures && [] === $this->job->truth->also) {
            $this->now = 'sound';
        } elseif ($cures) {
            $this->now = array_key_first($this->job->after) ?? 'sound';
        }

        return $cures;
    }

    public function print(): string
    {
        return $this->job->id;
    }

    public function cures(): array
    {
        return 'sound' === $this->now ? [] : $this->job->truth->cures();
    }

    public function isUnsafeToDrive(): bool
    {
        return [] !== array_intersect(self::SERIOUS, $this->job->told->complaints) && [] !== $this->job->truth->right;
    }
}
