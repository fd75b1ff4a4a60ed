<?php

declare(strict_types=1);

namespace App\Text;

use Symfony\Component\Translation\TranslatorBagInterface;
use Symfony\Contracts\Translation\LocaleAwareInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/** All that a translator of the framework is asked for. */
interface Translates extends TranslatorInterface, TranslatorBagInterface, LocaleAwareInterface
{
}
