<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\OpenJoints;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** How a bleed run goes: method, fluid on the plate and in the bottle, purpose, and the maker's own order. */
final readonly class BleedSetupPayload implements Payload
{
    public const PURPOSES = ['opened', 'renew'];
    /** Where pads are while it is bled: a school, and both are right. */
    public const PADS = ['', 'in', 'after'];

    /**
     * @param list<Corner> $own the maker's own order, where there is one
     * @param string $pads in while it is bled, or fitted after; '' where there are none, or nobody said
     * @param string $lot of the bottle, and since when it is open, as written down
     */
    public function __construct(
        public string $method,
        public string $plate,
        public string $fluid,
        public string $purpose,
        public array $own = [],
        public string $lot = '',
        public string $pads = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::BleedSetup;
    }

    public static function read(Shape $shape): self
    {
        $own = [];
        foreach ($shape->texts('own') as $corner) {
            $own[] = Corner::tryFrom($corner) ?? throw $shape->wrong('own', 'corners are lf, rf, lr, rr');
        }

        return new self(
            $shape->text('method'),
            $shape->text('plate'),
            $shape->text('fluid'),
            $shape->choice('purpose', self::PURPOSES),
            $own,
            $shape->text('lot', ''),
            $shape->choice('pads', self::PADS, ''),
        );
    }

    public function write(): array
    {
        return [
            'method' => $this->method,
            'plate' => $this->plate,
            'fluid' => $this->fluid,
            'purpose' => $this->purpose,
            'own' => array_map(static fn (Corner $corner): string => $corner->value, $this->own),
            'lot' => $this->lot,
        ] + ('' === $this->pads ? [] : ['pads' => $this->pads]);
    }

    public static function schema(): array
    {
        $fields = [
            'method' => Schema::TEXT,
            'plate' => Schema::TEXT,
            'fluid' => Schema::TEXT,
            'purpose' => Schema::words(self::PURPOSES),
            'own' => Schema::list(Schema::CORNER),
        ];

        return Schema::object(
            $fields + ['lot' => Schema::TEXT, 'pads' => Schema::words(self::PADS)],
            array_keys($fields),
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (OpenJoints::any($door)) {
            throw Refused::by('bleed', ['joint-open']);
        }
        $book = $door->catalogue()->bleeding;
        foreach (['method' => $book->methods, 'plate' => $book->fluids, 'fluid' => $book->fluids] as $key => $known) {
            if (!isset($known[$this->$key])) {
                throw InvalidData::at('/bleed-setup/'.$key, 'one of '.implode(', ', array_keys($known)).' is expected');
            }
        }
        if ($this->fluid !== $this->plate) {
            throw Refused::by('bleed', ['fluid-mismatch']);
        }
        if ($door->layout()->pipework->modulator && !$book->fluids[$this->fluid]['modulator']) {
            throw Refused::by('bleed', ['fluid-modulator']);
        }
    }
}
