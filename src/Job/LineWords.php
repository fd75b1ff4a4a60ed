<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Rodrel\Core\CoreException;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Shape;

/** What a line of the list says, in the language of whoever reads it. */
final readonly class LineWords
{
    public function __construct(private Say $say, private NextThing $next)
    {
    }

    public function complaint(JobLine $line): string
    {
        try {
            return [] === $line->told ? '' : $this->say->complaint(IntakePayload::read(new Shape($line->told)));
        } catch (CoreException) {
            return ''; // kept by another version: the worker makes it again
        }
    }

    public function next(JobLine $line): string
    {
        $act = NextAct::fromArray($line->next);

        return null === $act ? '' : $this->next->title($act);
    }
}
