<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Log\Kind;

/**
 * What every kind of entry holds, published as JSON Schema: what is written today fits it, what was written is read.
 */
final class PayloadsTest extends TestCase
{
    #[DataProvider('provideExports')]
    public function testWhatWasWrittenIsReadAndWrittenAgainFitsItsSchema(string $file): void
    {
        $schema = json_decode(
            (string) file_get_contents(\dirname(__DIR__, 2).'/docs/formats/payloads.schema.json'),
            false,
            512,
            \JSON_THROW_ON_ERROR,
        );
        $document = json_decode((string) file_get_contents($file), true, 512, \JSON_THROW_ON_ERROR);
        foreach ($document['entries'] as $entry) {
            $kind = Kind::from($entry['kind']);
            $written = $kind->read($entry['payload'])->write();
            $own = $schema->{'$defs'}->{$kind->value};
            $data = json_decode(json_encode($written, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR));
            $result = (new Validator())->validate($data, $own);
            self::assertTrue($result->isValid(), basename($file).' '.$kind->value.': '.json_encode($written));
            self::assertEquals($kind->read($entry['payload']), $kind->read($written), 'nothing is lost on the way');
        }
    }

    /** @return iterable<string, array{string}> */
    public static function provideExports(): iterable
    {
        foreach (glob(\dirname(__DIR__).'/fixtures/exports/format-1/*.json') ?: [] as $file) {
            yield basename($file) => [$file];
        }
    }

    public function testAPayloadThatDoesNotFitIsNoticed(): void
    {
        $schema = (object) Kind::Lift->payloadClass()::schema();
        $validator = new Validator();
        $schema = json_decode((string) json_encode($schema));
        self::assertTrue($validator->validate((object) ['to' => 'raised', 'stands' => true], $schema)->isValid());
        self::assertFalse($validator->validate((object) ['to' => 'sky', 'stands' => true], $schema)->isValid());
        self::assertFalse($validator->validate((object) ['to' => 'raised'], $schema)->isValid());
    }
}
