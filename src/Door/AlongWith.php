<?php

declare(strict_types=1);

namespace App\Door;

use App\Account\User;
use App\Bleed\BleedRun;
use App\Input\InvalidInput;
use App\Input\KeptFor;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\ReadJob;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/**
 * What one tap says besides its own entry: the lines that were ticked while signing come onto the work list, and the
 * last bleeder ends its run. Each has an id that follows from the entry's, so that a form sent twice says it once.
 */
final readonly class AlongWith
{
    public function __construct(
        private AppendEntry $append,
        private ReadJob $readJob,
        private BleedRun $run,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, Payload> by a name of its own
     *
     * @throws InvalidInput before anything is written
     */
    public function read(Kind $kind, InputBag $form): array
    {
        if (Kind::Bleed === $kind) {
            return $form->getBoolean('ends') ? ['bled' => new BledPayload()] : [];
        }
        $lines = [];
        foreach (Kind::Finding === $kind ? $form->all('lines') : [] as $group => $why) {
            $at = GroupAt::tryParse((string) $group) ?? throw InvalidInput::because('input.group');
            if (!\in_array($why, LinePayload::WHYS, true)) {
                throw InvalidInput::because('input.missing');
            }
            $lines[(string) $at] = new LinePayload($at, true, $why);
        }

        return $lines;
    }

    /**
     * @param array<string, Payload> $besides
     *
     * @return bool whether it was written; a run is not ended while a bleeder wants more
     *
     * @throws Refused
     * @throws InvalidData
     */
    public function write(Job $job, Request $request, User $user, JobEntry $with, array $besides): bool
    {
        if ([] === $besides || isset($besides['bled']) && !$this->run->isThrough(($this->readJob)($job))) {
            return false;
        }
        $many = [];
        foreach ($besides as $name => $payload) {
            $made = KeptFor::madeAt($request, $this->clock->now(), $payload);
            $many[] = [Uuid::v5($with->id(), $name), $payload, $made];
        }
        [, $stopped] = $this->append->several($job, $user, $many);
        null === $stopped ?: throw $stopped;

        return true;
    }
}
