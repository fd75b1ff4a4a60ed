<?php

declare(strict_types=1);

namespace App\Input;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** Why something was not recorded: said on the sheet that it came from, where its draft still stands. */
final class Refusal extends AbstractExtension
{
    private const KEY = 'refusal';

    public function __construct(private readonly RequestStack $requests)
    {
    }

    /** @param list<string> $sentences */
    public static function note(Request $request, array $sentences): void
    {
        $request->attributes->set('_'.self::KEY, $sentences);
    }

    /** @return list<string>|null null where nothing was refused */
    public static function of(Request $request): ?array
    {
        $sentences = $request->attributes->get('_'.self::KEY);

        return \is_array($sentences) ? array_values(array_filter($sentences, is_string(...))) : null;
    }

    /**
     * For the sheet that comes next.
     *
     * @param list<string> $sentences
     * @param string $typed what could not be used, to find its field by
     */
    public static function carry(Request $request, array $sentences, string $typed): void
    {
        self::note($request, $sentences);
        $request->getSession()->set(self::KEY, ['sentences' => $sentences, 'typed' => $typed]);
    }

    public function getFunctions(): array
    {
        return [new TwigFunction('refusal', $this->once(...))];
    }

    private function once(): mixed
    {
        $request = $this->requests->getMainRequest();

        return null !== $request && $request->hasPreviousSession() ? $request->getSession()->remove(self::KEY) : null;
    }
}
