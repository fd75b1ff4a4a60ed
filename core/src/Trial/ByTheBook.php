<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** The order in which practitioners work, whatever was read: listen, look, pedal, drive, spin, trap, joints, wheel. */
final readonly class ByTheBook implements Policy
{
    public static function id(): string
    {
        return 'by-the-book';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        $possible = [];
        foreach ($play->possible() as $at) {
            $possible[$at->id][] = $at;
        }
        foreach ($play->book() as $id) {
            foreach ($possible[$id] ?? [] as $at) {
                if ($play->concerns($at)) {
                    return $at;
                }
            }
        }
        foreach ($play->book() as $id) {
            foreach ($possible[$id] ?? [] as $at) {
                return $at;
            }
        }

        return null;
    }
}
