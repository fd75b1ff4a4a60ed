<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** Which checks every complaint calls for, how often it means nothing, and what is found that is looked into like one. */
final readonly class RouteBook
{
    /**
     * @param array<string, Shape> $byComplaint
     * @param array<string, string> $found complaint by answer, `check/row/word`
     */
    private function __construct(private array $byComplaint, public array $found)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $by = $found = [];
        foreach ($shape->each('routes') as $route) {
            $route->share('sound');
            foreach ($route->texts('for') as $complaint) {
                $by[$complaint] = $route;
            }
        }
        foreach ($shape->in('found')->keys() as $answer) {
            $found[$answer] = $shape->in('found')->text($answer);
        }

        return new self($by, $found);
    }

    /**
     * The wheels that a complaint is about; null: it may be any.
     *
     * @return list<Corner>|null
     */
    public static function wheels(string $complaint): ?array
    {
        $front = [Corner::LeftFront, Corner::RightFront];
        $rear = [Corner::LeftRear, Corner::RightRear];
        $own = Corner::tryFrom(substr($complaint, -2));

        return match (true) {
            null !== $own && str_starts_with($complaint, 'drags-') => [$own],
            str_ends_with($complaint, '-front'), str_starts_with($complaint, 'pulls-') => $front,
            str_ends_with($complaint, '-rear'), str_starts_with($complaint, 'parking-') => $rear,
            default => null,
        };
    }

    public static function none(): self
    {
        return new self([], []);
    }

    /** @return list<string> ids of complaints it knows */
    public function complaints(): array
    {
        return array_map(strval(...), array_keys($this->byComplaint));
    }

    /**
     * @param list<string> $complaints said or found
     * @param string $pattern when it happens; '' where nobody said
     * @param bool $stood the vehicle stood for weeks
     */
    public function route(array $complaints, string $pattern = '', bool $stood = false): Route
    {
        $own = $tried = $more = [];
        $serious = false;
        foreach ($complaints as $complaint) {
            $route = $this->byComplaint[$complaint] ?? null;
            if (null !== $route) {
                array_push($own, ...$route->texts('own'));
                array_push($tried, ...$route->texts('tried'));
                array_push($more, ...$route->texts('more'));
                $serious = $serious
                    || $route->flag('serious')
                    || (!$stood && \in_array($pattern, $route->in('serious_if')->texts('pattern'), true));
            }
        }
        $once = static fn (array $ids): array => array_values(array_unique($ids));

        return new Route($once($own), $once($tried), $once($more), $serious);
    }

    /**
     * Chance that nothing is wrong, or that it is not the brakes: of several complaints the least; null where none
     * says.
     *
     * @param list<string> $complaints as the driver said them
     */
    public function sound(array $complaints, string $pattern, bool $stood, bool $drivenIn): ?float
    {
        $least = null;
        foreach ($complaints as $complaint) {
            $route = $this->byComplaint[$complaint] ?? null;
            if (null !== $route) {
                $if = $route->in('sound_if');
                $own = match (true) {
                    $stood && $if->has('stood') => $if->share('stood'),
                    '' !== $pattern && $if->in('pattern')->has($pattern) => $if->in('pattern')->share($pattern),
                    $drivenIn && $if->has('driven_in') => $if->share('driven_in'),
                    default => $route->share('sound'),
                };
                $least = min($least ?? 1.0, $own);
            }
        }

        return $least;
    }
}
