<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Translation\LocaleSwitcher;

/** The language of who is at the screen; before anybody is, the browser's. */
final readonly class Language
{
    public function __construct(
        private Security $security,
        private LocaleSwitcher $locale,
        private Languages $languages,
    ) {
    }

    /** After the firewall: it knows who it is. */
    #[AsEventListener(priority: 4)]
    public function onRequest(RequestEvent $event): void
    {
        if (!$event->isMainRequest()) {
            return;
        }
        $user = $this->security->getUser();
        $language = $user instanceof User
            ? $this->languages->known($user->language())
            : (string) $event->getRequest()->getPreferredLanguage($this->languages->all);
        $event->getRequest()->setLocale($language);
        $this->locale->setLocale($language);
    }
}
