<?php

declare(strict_types=1);

namespace App\Report;

use App\Account\Languages;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Translation\LocaleSwitcher;

/** A page in the language that its address asks for (`in`), whatever language its reader has chosen. */
final readonly class InLanguage
{
    public function __construct(private Languages $languages, private LocaleSwitcher $locale)
    {
    }

    public function asked(Request $request): string
    {
        return $this->languages->known($request->query->getString('in', $request->getLocale()));
    }

    /** @param callable(): Response $page */
    public function of(Request $request, callable $page): Response
    {
        $language = $this->asked($request);
        $request->setLocale($language);

        return $this->locale->runWithLocale($language, $page);
    }
}
