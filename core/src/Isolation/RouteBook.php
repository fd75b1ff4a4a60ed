<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** Which checks every complaint calls for, how often it means nothing, and what is looked into like one. */
final readonly class RouteBook
{
    /**
     * @param array<string, ComplaintRoute> $byComplaint
     * @param array<string, string> $found complaint by answer, `check/row/word`
     */
    private function __construct(private array $byComplaint, public array $found)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $by = $found = [];
        foreach ($shape->each('routes') as $one) {
            $route = ComplaintRoute::fromShape($one);
            foreach ($one->texts('for') as $complaint) {
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
                array_push($own, ...$route->own);
                array_push($tried, ...$route->tried);
                array_push($more, ...$route->more);
                $serious = $serious || $route->isSerious($pattern, $stood);
            }
        }

        return new Route(
            array_values(array_unique($own)),
            array_values(array_unique($tried)),
            array_values(array_unique($more)),
            $serious,
        );
    }

    /**
     * What is tried and noted where complaints come and go.
     *
     * @param list<string>|null $complaints null: all
     *
     * @return list<string> ids of texts, each once
     */
    public function cards(?array $complaints = null): array
    {
        $cards = [];
        foreach ($complaints ?? $this->complaints() as $complaint) {
            $card = $this->byComplaint[$complaint]->card ?? '';
            $cards += '' === $card ? [] : [$card => $card];
        }

        return array_values($cards);
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
                $least = min($least ?? 1.0, $route->sound($pattern, $stood, $drivenIn));
            }
        }

        return $least;
    }
}
