<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Probe\Probe;
use Rodrel\Core\Check\Probe\Probes;
use Rodrel\Core\Check\With;
use Rodrel\Core\Shape;

/** The probe behind a row, and what it is given. */
final readonly class Source
{
    private function __construct(public Probe $probe, public With $with)
    {
    }

    /** @param list<string> $drives ids of the drives there are */
    public static function fromShape(Shape $shape, array $drives): ?self
    {
        $probe = Probes::named($shape->text('probe'));
        if (null === $probe) {
            return $shape->miss('probe', 'there is no such probe; there are '.implode(', ', Probes::ids()));
        }
        $with = $shape->in('with');
        $values = [];
        foreach ($probe::parameters() as $name => $allowed) {
            if ('drive' === $name) {
                $values[$name] = [] === $drives ? '' : $with->choice($name, $drives);
            } elseif (\is_string($allowed[0] ?? '')) {
                $values[$name] = $with->choice($name, self::words($allowed));
            } else {
                $values[$name] = $with->number($name);
                if ($values[$name] < $allowed[0] || $values[$name] > $allowed[1]) {
                    $with->miss($name, \sprintf('%g is outside %g to %g', $values[$name], $allowed[0], $allowed[1]));
                }
            }
        }

        return new self($probe, new With($values));
    }

    /**
     * @param array<array-key, mixed> $allowed
     *
     * @return non-empty-list<string>
     */
    private static function words(array $allowed): array
    {
        $words = array_values(array_filter($allowed, is_string(...)));

        return [] !== $words ? $words : [''];
    }
}
