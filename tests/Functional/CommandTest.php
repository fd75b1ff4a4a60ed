<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use PHPUnit\Framework\Attributes\DataProvider;
use Rodrel\Core\Catalogue\Catalogue;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Console\Tester\CommandTester;

/** The command line speaks JSON and exits with 2 and a path when the document is wrong. */
final class CommandTest extends KernelTestCase
{
    public function testOnePressSimulated(): void
    {
        [$code, $out] = $this->run_('rodrel:simulate', [
            'format' => 1,
            'preset' => 'medium-car',
            'foot_n' => 150,
            'effects' => ['hose@lf' => ['hold' => 600]],
            'at_s' => [3.4, 5.0],
        ]);
        self::assertSame(0, $code);
        $samples = json_decode($out, true)['samples'];
        self::assertEqualsWithDelta(67.6, $samples[0]['travel_mm'], 0.5);
        self::assertEqualsWithDelta(590.0, $samples[1]['corners']['lf']['kpa'], 12.0);
    }

    public function testReadingsJudged(): void
    {
        [$code, $out] = $this->run_('rodrel:isolate', [
            'format' => 1,
            'preset' => 'medium-car',
            'lift' => 'wheels-off',
            'stands' => true,
            'readings' => [
                ['check' => 'complaint@vehicle', 'outcomes' => ['' => 'drags-lf']],
                ['check' => 'pattern@vehicle', 'outcomes' => ['' => 'always']],
                [
                    'check' => 'spin@vehicle',
                    'outcomes' => [
                        'lf' => 'will-not-turn',
                        'rf' => 'one-finger',
                        'lr' => 'one-finger',
                        'rr' => 'one-finger',
                    ],
                ],
                ['check' => 'bleeder-open@lf', 'outcomes' => ['' => 'spurts-frees']],
            ],
        ]);
        self::assertSame(0, $code, $out);
        $answer = json_decode($out, true);
        self::assertSame('hose@lf', array_key_first($answer['groups']));
        self::assertContains($answer['next']['check'], [
            'hose-top@lf',
            'push-back@lf',
            'modulator-outlet@lf',
            'spin-later@vehicle',
            'free-after@vehicle',
            'gauge@lf',
            'hose-look@lf',
            'line-runs@lf',
        ]);
        self::assertFalse($answer['road']['open']);
    }

    /** @param array<string, mixed>|string $request */
    #[DataProvider('provideWrong')]
    public function testAMalformedDocumentExitsWith2AndNamesThePlace(
        string $command,
        array|string $request,
        string $path,
    ): void {
        [$code, $out] = $this->run_($command, $request);
        self::assertSame(2, $code);
        self::assertStringStartsWith($path.':', $out);
    }

    /** The worked example of the README is what the commands say, as far as it is printed there. */
    public function testTheReadmesExampleIsTrue(): void
    {
        $root = \dirname(__DIR__, 2);
        $readme = (string) file_get_contents($root.'/README.md');
        $example = json_decode((string) file_get_contents($root.'/docs/examples/stuck-left-front.json'), true);
        $said = json_decode($this->run_('rodrel:isolate', $example)[1], true);
        self::assertSame(1, preg_match('/"groups": (\{[^}]*\})/', $readme, $printed));
        self::assertEqualsWithDelta(json_decode($printed[1], true), $said['groups'], 0.002);
        $weighed = '/"check": "([^"]*)".* "bits": ([\d.]+), "saving_cents": (\d+)/';
        self::assertSame(1, preg_match($weighed, $readme, $next));
        self::assertSame($next[1], $said['next']['check']);
        self::assertEqualsWithDelta((float) $next[2], $said['next']['bits'], 0.01);
        self::assertEqualsWithDelta((float) $next[3], $said['next']['saving_cents'], 100.0);
        self::assertSame(1, preg_match('/<<< \'(.*?)\'/s', $readme, $given));
        $samples = json_decode($this->run_('rodrel:simulate', json_decode($given[1], true))[1], true)['samples'];
        $row = '/^ +([\d.]+) s .*left front (\d+) kPa, +(\d+) N·m/m';
        self::assertSame(3, preg_match_all($row, $readme, $rows, \PREG_SET_ORDER));
        foreach ($rows as $n => [, $at, $kpa, $nm]) {
            self::assertSame((float) $at, (float) $samples[$n]['t_s']);
            self::assertEqualsWithDelta((float) $kpa, $samples[$n]['corners']['lf']['kpa'], 3.0);
            self::assertEqualsWithDelta((float) $nm, $samples[$n]['corners']['lf']['torque_nm'], 1.0);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>|string, string}> */
    public static function provideWrong(): iterable
    {
        yield 'not JSON' => ['rodrel:isolate', '{"format": 1,', '/'];
        yield 'an unknown field' => [
            'rodrel:simulate',
            ['format' => 1, 'preset' => 'medium-car', 'foot_n' => 150, 'at_s' => [1], 'hand_n' => 3],
            '/',
        ];
        yield 'a force that is a word' => [
            'rodrel:simulate',
            ['format' => 1, 'preset' => 'medium-car', 'foot_n' => 'hard', 'at_s' => [1]],
            '/foot_n',
        ];
        yield 'an unknown preset' => [
            'rodrel:simulate',
            ['format' => 1, 'preset' => 'sledge', 'foot_n' => 150, 'at_s' => [1]],
            '/preset',
        ];
        $press = static fn (string $preset, array $effects = []): array => [
            'format' => 1,
            'preset' => $preset,
            'foot_n' => 150,
            'at_s' => [1],
        ] + ([] === $effects ? [] : ['effects' => $effects]);
        yield 'pressures that are not modelled' => ['rodrel:simulate', $press('air-disc-lorry'), '/preset'];
        yield 'an effect that moves no pressure' => [
            'rodrel:simulate',
            $press('medium-car', ['fluid' => ['water' => 3.0]]),
            '/effects/fluid/water',
        ];
        yield 'less clearance than none' => [
            'rodrel:simulate',
            $press('medium-car', ['wheel@lf' => ['extra_clearance' => -0.5]]),
            '/effects/wheel@lf/extra_clearance',
        ];
        yield 'an unknown fault' => [
            'rodrel:simulate',
            [
                'format' => 1,
                'preset' => 'medium-car',
                'foot_n' => 150,
                'at_s' => [1],
                'fault' => ['suspect' => 'magic.fault@lf'],
            ],
            '/fault',
        ];
        yield 'a check without a place' => [
            'rodrel:isolate',
            ['format' => 1, 'preset' => 'medium-car', 'readings' => [['check' => 'spin']]],
            '/readings/0/check',
        ];
        yield 'a word the check does not have' => [
            'rodrel:isolate',
            [
                'format' => 1,
                'preset' => 'medium-car',
                'lift' => 'raised',
                'stands' => true,
                'readings' => [['check' => 'hose-look@lf', 'outcomes' => ['' => 'pretty']]],
            ],
            '/readings/0',
        ];
        yield 'a closed gate' => [
            'rodrel:isolate',
            [
                'format' => 1,
                'preset' => 'medium-car',
                'readings' => [['check' => 'wear@lf', 'outcomes' => ['' => 'even']]],
            ],
            '/readings/0',
        ];
    }

    public function testTheShippedCatalogueHoldsAndABrokenOneNamesEveryMistake(): void
    {
        $directory = \dirname(__DIR__, 2).'/core/data/';
        $documents = [];
        foreach (Catalogue::FILES as $file) {
            $documents[$file] = json_decode((string) file_get_contents($directory.$file.'.json'));
        }
        [$code, $out] = $this->run_('rodrel:catalogue', (string) json_encode($documents, \JSON_PRESERVE_ZERO_FRACTION));
        self::assertSame(0, $code, $out);
        self::assertCount(14, json_decode($out, true)['presets']);
        $documents['faults']->faults[0]->weight = 'much';
        $documents['checks']->checks[3]->station = 'roof';
        [$code, $out] = $this->run_('rodrel:catalogue', (string) json_encode($documents, \JSON_PRESERVE_ZERO_FRACTION));
        self::assertSame(2, $code);
        self::assertMatchesRegularExpression('~^/faults/faults/0/weight .*number.*$~m', $out);
        self::assertMatchesRegularExpression('~^/checks/checks/3/station .*roof.*$~m', $out);
    }

    /**
     * @param array<string, mixed>|string $request
     *
     * @return array{int, string}
     */
    private function run_(string $command, array|string $request): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        file_put_contents($file, \is_string($request) ? $request : json_encode($request, \JSON_THROW_ON_ERROR));
        $tester = new CommandTester((new Application(self::bootKernel()))->find($command));
        $code = $tester->execute(['rodrel:catalogue' === $command ? 'document' : 'request' => $file]);
        unlink($file);

        return [$code, trim($tester->getDisplay())];
    }
}
