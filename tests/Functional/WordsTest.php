<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Account\UserRepository;
use App\Text\Say;
use App\Text\Told;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Vehicle\Layout;

/** Nobody reads a key: every sentence of every kind with every word is one, in the reader's own units. */
final class WordsTest extends ShopTestCase
{
    /** What a key, a field's name or a parameter that nobody filled looks like. */
    private const RAW = '/\b[a-z]+(-[a-z]+)*\.[a-z]+[a-z.-]*\b|\b(number|word|noted|since)\[|[{}]|^\s*$/';

    #[TestWith(['en'])]
    #[TestWith(['de'])]
    public function testEverySentenceOfEveryCheckAndRepairIsOne(string $language): void
    {
        self::getContainer()->get('translation.locale_switcher')->setLocale($language);
        $catalogue = self::getContainer()->get(Catalogue::class);
        $say = self::getContainer()->get(Say::class);
        $said = [];
        foreach ($catalogue->presets as $preset) {
            $layout = Layout::fromArray($preset);
            foreach ($catalogue->checks as $check) {
                foreach ($check->everywhere($layout) as $at) {
                    $said[] = $say->check($at);
                    foreach ($check->rows as $row) {
                        foreach ($row->observer->words() as $word) {
                            $said[] = $say->outcome($at, [$row->id => $word]);
                        }
                        $said[] = \count($check->rows) > 1 ? $say->row($at, $row->id) : 'one answer';
                    }
                }
            }
            foreach (Particles::of($catalogue->faults, $layout) as $particle) {
                $said[] = $say->suspect($particle->suspect);
                $said[] = $say->finding($particle->group, $particle->suspect);
                $said[] = $say->work($particle->group);
            }
        }
        $said = array_unique($said);
        self::assertGreaterThan(1000, \count($said));
        self::assertSame([], array_values(preg_grep(self::RAW, $said) ?: []));
    }

    #[TestWith(['en'])]
    #[TestWith(['de'])]
    public function testEveryLineOfALogIsInWords(string $language): void
    {
        self::getContainer()->get('translation.locale_switcher')->setLocale($language);
        $told = self::getContainer()->get(Told::class);
        $say = self::getContainer()->get(Say::class);
        $kinds = [];
        foreach (glob(\dirname(__DIR__).'/fixtures/exports/format-1/*.json') ?: [] as $file) {
            foreach (json_decode((string) file_get_contents($file), true)['entries'] as $entry) {
                $kind = Kind::from($entry['kind']);
                $kinds[$kind->value] = true;
                $line = $say->ui('kind.'.$kind->value).' '.$told->of($kind->read($entry['payload']));
                self::assertDoesNotMatchRegularExpression(self::RAW, preg_replace('/\d\.\d/', '', $line) ?? '', $line);
            }
        }
        self::assertGreaterThan(12, \count($kinds));
    }

    /**
     * By hand: 150 N · 0.2248 = 33.7 lbf, 50 bar · 14.504 = 725 psi, 0.15 mm / 25.4 = 0.0059 in, 5–15 N·m · 0.7376 =
     * 3.7–11 lb·ft, 60 °C · 1.8 + 32 = 140 °F, a step of 3 K · 1.8 = 5.4 °F, 200 bar · 14.504 = 2901 psi, which no
     * gauge shows, 80 km/h / 1.609 = 49.7 mph; what nobody marked stays.
     */
    #[DataProvider('provideTexts')]
    public function testTextsSpeakTheReadersUnits(string $written, string $read): void
    {
        $user = $this->signIn('fenwarren');
        $say = self::getContainer()->get(\App\Text\Units::class);
        $plain = str_replace(['[', ']'], '', $written);
        self::assertSame($plain, $say->marked($written), 'metric reads as it is written');
        $user->switchUnits();
        $this->client->loginUser($user);
        self::getContainer()->get('security.token_storage')->setToken(
            new \Symfony\Component\Security\Core\Authentication\Token\UsernamePasswordToken($user, 'main'),
        );
        self::assertSame($read, $say->marked($written));
    }

    /** @return iterable<array{string, string}> */
    public static function provideTexts(): iterable
    {
        yield ['Hold [150 N] for 3 s.', 'Hold 34 lbf (150 N) for 3 s.'];
        yield ['It may hold [50 bar].', 'It may hold 725 psi (50 bar).'];
        yield ['No more than [0.15 mm] apart', 'No more than 0.0059 in (0.15 mm) apart'];
        yield ['[5–15 N·m]', '3.7–11 lb·ft (5–15 N·m)'];
        yield ['Above [60 °C] it burns', 'Above 140 °F (60 °C) it burns'];
        yield ['1 % more for every [3 K] above [20 °C]', '1 % more for every 5.4 °F (3 K) above 68 °F (20 °C)'];
        yield ['from [200 bar], [80 km/h]', 'from 2900 psi (200 bar), 50 mph (80 km/h)'];
        yield ['6 Nuts, 4 K2 bolts', '6 Nuts, 4 K2 bolts'];
    }

    public function testARefusalSaysWhatWouldPass(): void
    {
        self::assertNotNull(self::getContainer()->get(UserRepository::class)->withLogin('fenwarren'));
        $say = self::getContainer()->get(Say::class);
        $reasons = [];
        foreach (glob(\dirname(__DIR__, 2).'/core/src/Log/Payload/*.php') ?: [] as $file) {
            preg_match_all("/Refused::by\('[a-z-]+', \['([a-z-]+)'\]\)/", (string) file_get_contents($file), $found);
            array_push($reasons, ...$found[1]);
        }
        self::assertGreaterThan(8, \count($reasons));
        foreach ($reasons as $reason) {
            self::assertNotSame('gate.'.$reason, $say->ui('gate.'.$reason), Refused::class);
        }
    }
}
