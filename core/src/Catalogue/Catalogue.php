<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\Bleeding\BleedBook;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Check\Observer\Observers;
use Rodrel\Core\Check\Station;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Faults;
use Rodrel\Core\Fault\PairBook;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Custom;
use Rodrel\Core\Isolation\Drivers;
use Rodrel\Core\Isolation\GateBook;
use Rodrel\Core\Isolation\Knowledge;
use Rodrel\Core\Isolation\Rounds;
use Rodrel\Core\Isolation\RouteBook;
use Rodrel\Core\Mistakes;
use Rodrel\Core\Prediction\PredictionKeys;
use Rodrel\Core\Proof\ProofBook;
use Rodrel\Core\Repair\Procedure;
use Rodrel\Core\Repair\Repair;
use Rodrel\Core\Repair\Repairs;
use Rodrel\Core\Repair\Schools;
use Rodrel\Core\Repair\Surprise;
use Rodrel\Core\Repair\VisitSteps;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Composer;

/** Everything the trade knows, as read from `core/data/*.json`. */
final readonly class Catalogue
{
    /** The files, by their name without ending. */
    public const FILES = [
        'faults', 'checks', 'complaints', 'stations', 'gates', 'drives', 'repairs', 'procedures', 'schools', 'parts',
        'proof', 'bleeding', 'pairs', 'presets', 'routes', 'drivers', 'rounds',
    ];

    public Faults $faults;
    public Checks $checks;
    public Complaints $complaints;
    public PairBook $pairs;
    public GateBook $gates;
    public Repairs $repairs;
    public Schools $schools;
    public ProofBook $proof;
    public BleedBook $bleeding;
    public RouteBook $routes;
    public Drivers $drivers;
    public Rounds $rounds;
    /** @var non-empty-array<string, Station> in the order of an ordinary job */
    public array $stations;
    /** @var list<string> checks in the order that practitioners work by, whatever was read */
    public array $book;
    /** @var list<string> checks where nobody complains */
    public array $condition;
    /** @var array<string, bool> by id; true: can be named in the intake as fitted lately */
    public array $parts;
    /** @var array<string, array<array-key, mixed>> documents for Layout::fromArray() */
    public array $presets;

    /** @param array<string, Shape> $files by name */
    private function __construct(array $files, public string $hash)
    {
        $drives = [];
        foreach ($files['drives']->each('drives') as $id => $drive) {
            $drives[$id] = Drive::fromShape($id, $drive);
        }
        $this->complaints = Complaints::fromShape($files['complaints'], array_keys($drives));
        $observers = new Observers($this->complaints, array_keys($drives));
        $read = static fn (Shape $shape): Check => Check::fromShape($shape, $observers);
        $this->checks = new Checks(self::byId($files['checks'], 'checks', $read), $drives);
        $this->faults = new Faults(self::byId($files['faults'], 'faults', Fault::fromShape(...)));
        $this->pairs = PairBook::fromShape($files['pairs']);
        $this->gates = GateBook::fromShape($files['gates']);
        $this->repairs = self::repairsFrom($files['repairs'], $files['procedures']);
        $this->schools = Schools::fromShape($files['schools']);
        $this->proof = ProofBook::fromShape($files['proof']);
        $this->bleeding = BleedBook::fromShape($files['bleeding']);
        $this->routes = RouteBook::fromShape($files['routes']);
        $this->drivers = Drivers::fromShape($files['drivers']);
        $this->rounds = Rounds::fromShape($files['rounds']);
        $this->stations = Station::all($files['stations']);
        $this->book = $files['stations']->texts('book');
        $this->condition = $files['stations']->texts('condition');
        $parts = [];
        foreach ($files['parts']->each('parts') as $id => $part) {
            $parts[$id] = $part->flag('fitted');
        }
        $this->parts = $parts;
        $presets = [];
        foreach ($files['presets']->in('presets')->keys() as $id) {
            $presets[$id] = Composer::preset($files['presets']->in('presets')->raw($id));
        }
        $this->presets = $presets;
    }

    /**
     * For documents that were checked before: the first thing that cannot be read is thrown. `CatalogueReader` finds
     * everything that is wrong.
     *
     * @param array<string, array<mixed>> $documents decoded files by name
     *
     * @throws InvalidData with the JSON pointer of the first wrong value
     */
    public static function fromArray(array $documents): self
    {
        return self::fromShapes(self::shapes($documents, null), $documents);
    }

    /**
     * @param array<string, Shape> $shapes
     * @param array<string, array<mixed>> $documents
     *
     * @internal
     */
    public static function fromShapes(array $shapes, array $documents): self
    {
        $catalogue = new self($shapes, hash('sha256', serialize($documents)));
        if (0 === \count($catalogue->faults) || 0 === \count($catalogue->checks)) {
            $shapes['faults']->miss('', 'a catalogue without faults or checks says nothing');
        }

        return $catalogue;
    }

    /**
     * @param array<string, array<mixed>> $documents
     *
     * @return array<string, Shape>
     *
     * @internal
     */
    public static function shapes(array $documents, ?Mistakes $mistakes): array
    {
        $shapes = [];
        foreach (self::FILES as $file) {
            $shapes[$file] = new Shape($documents[$file] ?? [], '/'.$file, $mistakes);
        }

        return $shapes;
    }

    /**
     * The layout document of a vehicle: a preset, or composed from its parts.
     *
     * @param array<array-key, mixed> $parts
     *
     * @return array<array-key, mixed> for Layout::fromArray()
     *
     * @throws InvalidData when there is no such preset, or the parts do not go together
     */
    public function vehicle(string $preset, array $parts = []): array
    {
        if ([] !== $parts) {
            return Composer::compose($parts);
        }
        $known = implode(', ', array_keys($this->presets));

        return $this->presets[$preset]
            ?? throw InvalidData::at('/preset', \sprintf('there is no preset "%s"; there are %s', $preset, $known));
    }

    /** What the judgement rests on. */
    public function knowledge(): Knowledge
    {
        return new Knowledge(
            $this->faults,
            $this->checks,
            $this->repairs,
            $this->gates,
            $this->pairs,
            new Custom($this->stations, $this->condition, $this->drivers, $this->routes, $this->rounds),
        );
    }

    /** @param string $sources hash of the sources that compute */
    public function keys(string $sources): PredictionKeys
    {
        return new PredictionKeys($this->faults, $this->checks, $this->complaints, $sources);
    }

    /**
     * @template T of Check|Fault
     *
     * @param callable(Shape): T $read
     *
     * @return array<string, T>
     */
    private static function byId(Shape $file, string $list, callable $read): array
    {
        $all = [];
        foreach ($file->each($list) as $shape) {
            $one = $read($shape);
            if (isset($all[$one->id])) {
                $shape->miss('id', \sprintf('"%s" stands here twice', $one->id));
            }
            $all[$one->id] = $one;
        }

        return $all;
    }

    private static function repairsFrom(Shape $repairs, Shape $procedures): Repairs
    {
        $all = $followed = [];
        foreach ($procedures->each('procedures') as $id => $procedure) {
            $followed[$id] = Procedure::fromShape($id, $procedure);
        }
        foreach ($repairs->each('repairs') as $id => $repair) {
            $all[$id] = Repair::fromShape($id, $repair);
        }

        $surprises = [];
        foreach ($procedures->each('surprises') as $id => $surprise) {
            $surprises[$id] = Surprise::fromShape($id, $surprise);
        }

        return new Repairs($all, $followed, VisitSteps::fromShape($procedures->in('visit')), $surprises);
    }
}
