<?php

declare(strict_types=1);

namespace App\Door;

use App\Account\UserRepository;
use App\Job\EntryConflict;
use App\Job\Job;
use App\Text\Told;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\Payload;
use Symfony\Component\HttpFoundation\Request;

/** Two answers under one number, both in words, side by side: nothing was overwritten. */
final readonly class ConflictView
{
    public function __construct(private UserRepository $users, private Told $told)
    {
    }

    public function of(Job $job, Request $request, Kind $kind, EntryConflict $conflict): ConflictPage
    {
        $stored = $conflict->stored;
        $said = fn (?Payload $payload): string => null === $payload ? '' : $this->told->of($payload);

        return new ConflictPage(
            job: $job,
            stored: $stored->id()->toRfc4122(),
            who: $this->users->names()[$stored->authorId()->toRfc4122()] ?? '?',
            when: $stored->takenAt(),
            said: [$said($stored->readable()?->payload), $said($kind->read($conflict->sent))],
            form: array_diff_key($request->request->all(), ['_token' => true, 'entry' => true]),
        );
    }
}
