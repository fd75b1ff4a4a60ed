<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** How a reading came about: further words said in the same breath, how often it was taken, what one tap covered. */
final readonly class HowTaken
{
    /**
     * @param list<string> $also
     * @param array<string, list<string>> $earlier words of earlier takes, by row
     * @param list<string> $covered rows of a round that were answered by "nothing else odd"
     */
    public function __construct(
        public array $also = [],
        public int $times = 1,
        public array $earlier = [],
        public array $covered = [],
    ) {
    }
}
