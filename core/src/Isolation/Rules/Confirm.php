<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Confirming;
use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Standing;

/** A suspect that stands out is confirmed by a check of its own family before anybody signs. */
final readonly class Confirm implements Rule
{
    /** What is tried at all is confirmed first (belief; handbook: one in two). */
    private const FROM = 0.5;
    /** So many acts lead somewhere (estimate; 16 to 30). */
    private const ACTS = 24;

    public function decide(Standing $at): ?Decision
    {
        if ((!$at->passed() && $at->mass < self::FROM) || $at->proof->given || $at->acts() >= self::ACTS) {
            return null;
        }
        $ranked = $at->everything();
        $possible = Standing::possible($ranked);
        $one = self::first($possible, static fn (Proposal $p): bool => Confirming::isAmong($p->at, $at->confirming));
        if (null === $one) {
            // what must come before one: a wheel is spun before its trap is opened
            $before = [];
            foreach ($ranked as $proposal) {
                foreach (Confirming::isAmong($proposal->at, $at->confirming) ? $proposal->gates : [] as $gate) {
                    array_push($before, ...array_values($gate->answers));
                }
            }
            $one = self::first($possible, static fn (Proposal $p): bool => Confirming::isAmong($p->at, $before));
        }

        return null === $one ? null : Decision::opening($one, 'confirm', $at);
    }

    /**
     * @param list<Proposal> $proposals best first
     * @param \Closure(Proposal): bool $is
     */
    private static function first(array $proposals, \Closure $is): ?Proposal
    {
        return array_values(array_filter($proposals, $is))[0] ?? null;
    }
}
