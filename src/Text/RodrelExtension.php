<?php

declare(strict_types=1);

namespace App\Text;

use App\Shop\ShopSettings;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** The filters and functions of our templates: one per format. */
final class RodrelExtension extends AbstractExtension
{
    /** English as it is written where one pays in euros; other languages write money as they do. */
    private const MONEY = ['en' => 'en_IE'];

    public function __construct(
        private readonly ShopSettings $shop,
        private readonly ClockInterface $clock,
        private readonly Say $say,
    ) {
    }

    public function getFilters(): array
    {
        return [
            new TwigFilter('percent', Percent::of(...)),
            new TwigFilter('money', fn (float $cents): string => $this->money($cents)),
            new TwigFilter(
                'clock',
                fn (\DateTimeInterface $at): string => \DateTimeImmutable::createFromInterface($at)
                    ->setTimezone($this->shop->timeZone())
                    ->format('H:i'),
            ),
            new TwigFilter(
                'day',
                $this->day(...),
            ),
            new TwigFilter('upper_first', Letters::up(...)),
            new TwigFilter('inner', Letters::inner(...)),
            new TwigFilter('age', fn (\DateTimeInterface $at): string => $this->age($at)),
            new TwigFilter('say_check', $this->say->check(...)),
            new TwigFilter('say_group', $this->say->group(...)),
            new TwigFilter('say_suspect', $this->say->suspect(...)),
            new TwigFilter('say_place', $this->say->place(...)),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('entry_id', static fn (): string => Uuid::v7()->toRfc4122()),
            new TwigFunction('presets', $this->say->presets(...)),
            new TwigFunction('say', $this->say->text(...)),
            new TwigFunction('shop_name', $this->shop->name(...)),
        ];
    }

    private function money(float $cents): string
    {
        $locale = self::MONEY[\Locale::getPrimaryLanguage(\Locale::getDefault())] ?? \Locale::getDefault();
        $formatter = new \NumberFormatter($locale, \NumberFormatter::CURRENCY);
        $formatter->setAttribute(\NumberFormatter::FRACTION_DIGITS, 0);

        return (string) $formatter->formatCurrency(round($cents / 100.0), $this->shop->currency());
    }

    /** "2 Mar 2026, 10:40", as the language of the page writes it. */
    private function day(\DateTimeInterface $at): string
    {
        $zone = $this->shop->timeZone();
        if ('en' === \Locale::getPrimaryLanguage(\Locale::getDefault())) {
            return \DateTimeImmutable::createFromInterface($at)->setTimezone($zone)->format('j M Y, H:i');
        }
        $locale = \Locale::getDefault();
        $written = new \IntlDateFormatter($locale, \IntlDateFormatter::MEDIUM, \IntlDateFormatter::SHORT, $zone);

        return (string) $written->format($at);
    }

    private function age(\DateTimeInterface $at): string
    {
        $minutes = intdiv(max(0, $this->clock->now()->getTimestamp() - $at->getTimestamp()), 60);

        return match (true) {
            $minutes < 1 => $this->say->ui('age.now'),
            $minutes < 60 => $this->say->ui('age.minutes', ['n' => (string) $minutes]),
            $minutes < 1440 => $this->say->ui('age.hours', ['n' => (string) intdiv($minutes, 60)]),
            $minutes < 2880 => $this->say->ui('age.yesterday'),
            $minutes < 20160 => $this->say->ui('age.days', ['n' => (string) intdiv($minutes, 1440)]),
            default => $this->say->ui('age.weeks', ['n' => (string) intdiv($minutes, 10080)]),
        };
    }
}
