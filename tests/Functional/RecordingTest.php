<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Symfony\Component\HttpFoundation\File\UploadedFile;

/** A file of samples is read in on a check's sheet, told, and kept only when the technician says so. */
final class RecordingTest extends ShopTestCase
{
    public function testARollerRunIsToldAndKept(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $rows = '';
        for ($n = 0; $n <= 452; ++$n) { // four whole turns
            $at = $n / 50.0;
            $swing = 2000.0 + 300.0 * sin(2.0 * \M_PI * $at / 2.2619); // 0.3 m at 3 km/h
            $rows .= \sprintf("%.2f,%.1f,%.1f\n", $at, $swing, 1300.0);
        }
        $this->send($id, 'roller@vehicle', "# radius_m=0.3\ntime_s,lf,rf\n".$rows);
        self::assertResponseIsSuccessful();
        self::assertStringContainsString('left front swings 30 % with each turn of the wheel', $this->text('h1'));
        self::assertStringContainsString('right front makes 35 % less', $this->text('.measure-said'));
        self::assertSelectorCount(2, '.plot-line');
        self::assertStringNotContainsString('Brake force', $this->client->request('GET', "/jobs/$id/report")->text());
    }

    public function testAFileThatCannotBeReadNamesItsLine(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->send($id, 'wheel-speeds@vehicle', "time_s,lf\n0,fast\n");
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('Line 2 of the file: "fast" is no number', $this->text('.wrong'));
        $this->send($id, 'spin@vehicle', "time_s,lf\n");
        self::assertResponseStatusCodeSame(404);
    }

    public function testCodesAreWrittenDownAsShown(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'reading', [
            'check' => 'codes@vehicle',
            'word' => ['sensor' => 'lf', 'unit' => 'none', 'returns' => 'at-ignition'],
            'noted' => ['codes' => 'C 1095, C 1141', 'volts' => 'is of another sheet'],
        ]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('C 1095, C 1141', $this->text('.trail'));
        self::assertStringNotContainsString('another sheet', $this->text('.trail'));
    }

    /** By hand: 0.3 m of radius are 1.885 m a turn; 80 km/h are 22.22 m/s, 11.8 turns a second. */
    public function testHowOftenAWheelTurnsIsSaidWhereItShakes(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/checks/road-shake@vehicle");
        $turns = '7.4 times a second at 50 km/h, 11.8 at 80 km/h, 16.2 at 110 km/h';
        self::assertStringContainsString($turns, $this->text('main'));
    }

    private function send(string $job, string $check, string $csv): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        file_put_contents($file, $csv);
        $this->client->request(
            'POST',
            "/jobs/$job/checks/$check/recording",
            ['_token' => 'csrf-token'],
            ['recording' => new UploadedFile($file, 'run.csv', 'text/csv', null, true)],
        );
        @unlink($file);
    }
}
