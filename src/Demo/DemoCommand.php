<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\Role;
use App\Account\User;
use App\Account\UserRepository;
use App\Job\Job;
use App\Job\Projector;
use App\Vehicle\VehicleKind;
use App\Watch\DemoShop;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\ItemPayload;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** Fills the shop with the vehicles of an invented nature park, played by the model; loaded as it was played last. */
#[AsCommand('rodrel:demo', 'Loads the demo shop; does nothing where there is a shop already')]
final class DemoCommand
{
    private const PASSWORD = 'thornwater';
    private const TABLES = 'job, job_entry, job_line, judgement, vehicle, photo, person, sessions, shop_setting, '
        .'shop_mark, login_slowdown, practice';
    private const PEOPLE = [
        ['fenwarren', 'I. Fenwarren', Role::Technician],
        ['tarrenby', 'O. Tarrenby', Role::Technician],
        ['aldershaw', 'M. Aldershaw', Role::Lead],
        ['quillane', 'S. Quillane', Role::Admin],
    ];

    /** @var array<string, User> */
    private array $people = [];

    public function __construct(
        private readonly UserRepository $users,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly EntityManagerInterface $entities,
        private readonly Player $player,
        private readonly DemoShop $shop,
        private readonly DemoJobs $jobs,
        private readonly Projector $projector,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('replace the shop by the demo')] bool $again = false,
        #[Option('also where there are jobs, people or settings of its own')] bool $replaceEverything = false,
        #[Option('play every job anew by the model and write demo/jobs.jsonl')] bool $play = false,
        #[Option('only say whether it may: ends with 1 where something of its own would be lost')] bool $may = false,
        #[Option('only say whether the shop is empty still')] bool $wanted = false,
        #[Option('only say whether the shop is the demo')] bool $is = false,
    ): int {
        if ($wanted || $is) {
            return ($wanted ? $this->shop->isEmpty() : $this->shop->isDemo()) ? 0 : 1;
        }
        $lost = $replaceEverything ? [] : $this->shop->real(array_column(self::PEOPLE, 0));
        if ([] !== $lost) {
            $output->writeln('This is a shop of its own. Loading the demo would throw away:');
            $output->writeln(array_map(static fn (string $what): string => '  - '.$what, $lost));
            $output->writeln('If that is meant, say --replace-everything; a copy is kept in var/dumps.');

            return 1;
        }
        if ($may) {
            return 0;
        }
        if ($again || $replaceEverything) {
            $this->entities->getConnection()->executeStatement('TRUNCATE '.self::TABLES.' CASCADE');
        } elseif (!$this->shop->isEmpty()) {
            $output->writeln('There is a shop already; --again replaces it.');

            return 0;
        }
        $this->entities->wrapInTransaction(function () use ($play): void {
            $this->people();
            $play ? $this->play() : $this->jobs->load($this->people['quillane']);
        });
        $this->projector->now();
        $this->shop->mark();
        if ($play) {
            $this->jobs->write($this->people);
        }
        $output->writeln(\sprintf('%d jobs.', $this->entities->getRepository(Job::class)->count()));

        return 0;
    }

    private function play(): void
    {
        $this->firstUnits();
        $this->moreUnits();
        $this->pedals();
        $this->wheels();
        $this->ugly();
    }

    private function people(): void
    {
        $ids = $this->jobs->people();
        foreach (self::PEOPLE as [$login, $name, $role]) {
            $user = User::elsewhere(Uuid::fromString($ids[$login]), $login, $name, $role);
            $user->changePassword($this->hasher->hashPassword($user, self::PASSWORD));
            $this->users->add($this->people[$login] = $user);
        }
    }

    private function firstUnits(): void
    {
        $minibus = new VehicleKind('Unit 12, shuttle minibus', 'front-rear-discs');
        $van = new VehicleKind('Unit 23, small van', 'medium-car');
        $wardens = new VehicleKind("Unit 07, wardens' 4x4", 'front-rear-discs');

        $this->vehicle('front-rear-discs', 'guide-pins.stuck@rf', 2, '-23 days', 'tarrenby')
            ->open($minibus, note: 'smells after the descent from the quarry car park')
            ->bench(12)
            ->sign()
            ->repair($this->sound('front-rear-discs'))
            ->bleed()
            ->proof(12)
            ->handOver();

        $this->vehicle('medium-car', 'piston.stuck-out@rf', 4, '-3 days', 'fenwarren')
            ->open($van, note: 'came back: new pads, still hot', fitted: [['pads', 'rf', 3]])
            ->bench(12)
            ->sign()
            ->line('hose@rf', 'with')
            ->line('pads@front', 'with')
            ->line('rotor@front', 'seen')
            ->prepare()
            ->steps(4)
            ->write(new ItemPayload('Line plug in the right front hose', '', true), 1)
            ->write(new ItemPayload('Caliper ordered, bleeder on top', $this->player->day('+1 day')), 1);

        $this->vehicle('front-rear-discs', 'hose.one-way@rr', 13, '-26 hours', 'tarrenby')
            ->open($wardens, 'lets-go', 'after the ford')
            ->bench(12)
            ->sign()
            ->repair($this->sound('front-rear-discs'))
            ->bleed()
            ->proof(3);

        $this->vehicle('medium-car', 'cylinder.seized@lr', 2, '-5 hours', 'tarrenby')
            ->open(
                new VehicleKind('Unit 19, tipper', 'medium-car'),
                note: 'stood all winter behind the salt store',
                arrival: new Arrival(hot: true),
            )
            ->bench(14);

        $this->vehicle('front-rear-discs', 'booster.holds@vehicle', 1, '-70 minutes', 'fenwarren')
            ->open($wardens, 'engine-only')
            ->ground();

        $this->vehicle('front-rear-discs', 'hose.one-way@lf', 9, '-44 minutes', 'fenwarren')
            ->open($minibus, 'warm', 'long descent from the viewpoint', new Arrival(drivenIn: true), [
                ['caliper', 'lf', 3],
            ])
            ->bench(3);
    }

    private function moreUnits(): void
    {
        $estate = new VehicleKind("Unit 15, rangers' estate", 'petrol-turbo');

        $this->vehicle('medium-car', 'guide-pins.stuck@lf', 0, '-41 days', 'fenwarren')
            ->open(new VehicleKind('Unit 23, small van', 'medium-car'), 'always', 'left front rim dustier for weeks')
            ->ground()
            ->read('spin@vehicle')
            ->lower()
            ->read('heat-loop@vehicle')
            ->bench(14)
            ->sign()
            ->repair($this->sound('medium-car'))
            ->bleed()
            ->proof(14)
            ->handOver();

        $this->vehicle('all-drum-single', 'adjuster.over-wound@rf', 2, '-6 days', 'tarrenby')
            ->open(
                new VehicleKind('Unit 31, open tour car', 'all-drum-single'),
                note: 'new linings all round for the summer season',
                fitted: [['shoes', 'rf', 1]],
            )
            ->bench(12)
            ->sign()
            ->prepare()
            ->steps(2);

        $this->vehicle('all-drum-single', 'cylinder.leaks@lr', 5, '-21 hours', 'aldershaw')
            ->open(
                new VehicleKind('Unit 31, open tour car', 'all-drum-single'),
                note: 'left rear tyre wet inside',
                said: 'level-falls',
            )
            ->read('look@vehicle', ['level' => 'bad', 'wet' => 'lr', 'lamp' => 'good'])
            ->bench(14)
            ->sign()
            ->line('cylinder@rr', 'side')
            ->line('shoes@lr', 'seen')
            ->line('shoes@rr', 'side')
            ->line('flush@vehicle', 'asked')
            ->prepare();

        $this->vehicle('petrol-turbo', 'booster.holds-briefly@vehicle', 4, '-3 hours', 'fenwarren')
            ->open($estate, 'lets-go', 'holds on at the gate, then rolls by itself; a hum from behind the dash')
            ->bench(6);

        $refused = 'Right rear cylinder and linings refused by the park office, told S. Quillane';
        $this->vehicle('heavy-van', 'cylinder.leaks@lr', 5, '-2 days', 'aldershaw')
            ->open(new VehicleKind('Unit 28, flatbed', 'heavy-van'), note: 'a wet left rear wheel, seen at the wash')
            ->read('look@vehicle', ['level' => 'bad', 'wet' => 'bad', 'lamp' => 'good'])
            ->bench(14)
            ->sign()
            ->prepare()
            ->write(new ItemPayload($refused, $this->player->day('+30 days')), 2);

        $this->vehicle('petrol-turbo', 'rear-caliper.lever@rr', 1, '-12 days', 'tarrenby')
            ->open($estate, note: 'hot right rear after the school run', arrival: new Arrival(drivenIn: true))
            ->read('heat-arrival@vehicle')
            ->bench(14)
            ->sign()
            ->repair($this->sound('petrol-turbo'))
            ->bleedBegun();
    }

    /** What a foot feels and an eye sees at the bonnet: pedal, booster, vacuum, modulator, reservoir. */
    private function pedals(): void
    {
        $van = new VehicleKind('Unit 23, small van', 'medium-car');
        $pickup = new VehicleKind('Unit 09, foresters\' pickup', 'medium-car');
        $coupe = new VehicleKind('Unit 34, first warden\'s coupe', 'line-booster');

        $this->vehicle('medium-car', 'cup.bypass@primary', 2, '-6 hours', 'fenwarren')
            ->open($pickup, note: 'sinks at the lights, nothing on the ground', said: 'pedal-sinks')
            ->bench(3)
            ->read('level-held@primary')
            ->read('hold-off@vehicle')
            ->read('plug-master@vehicle')
            ->sign();

        $this->vehicle('medium-car', 'rear-seal.leaks@vehicle', 2, '-30 hours', 'tarrenby')
            ->open(
                new VehicleKind('Unit 17, school run car', 'medium-car'),
                note: 'topped up twice, garage floor dry; two wheel cylinders renewed elsewhere',
                fitted: [['cylinder', 'lr', 5], ['cylinder', 'rr', 5]],
                said: 'level-falls',
                spentCents: 31400,
            )
            ->read('look@vehicle', ['level' => 'primary', 'wet' => 'good', 'lamp' => 'good'])
            ->bench(12)
            ->sign()
            ->line('booster@vehicle', 'seen')
            ->line('check-valve@vehicle', 'with');

        $this->vehicle('medium-car', 'air.modulator@lf', 1, '-5 days', 'aldershaw')
            ->open($van, note: 'spongy since it', fitted: [['modulator', 'vehicle', 1]], said: 'pedal-spongy')
            ->bench(3)
            ->read('plug-master@vehicle')
            ->read('plug-modulator@vehicle');

        $this->vehicle('medium-car', 'one-way-valve.leaks@vehicle', 1, '-16 days', 'tarrenby')
            ->open($pickup, 'comes-goes', 'hard on the first press in the morning', said: 'weak')
            ->bench(14)
            ->sign()
            ->repair($this->sound('medium-car'))
            ->proof(16)
            ->handOver();

        $this->vehicle('petrol-turbo', 'vacuum.fails@vehicle', 1, '-7 hours', 'fenwarren')
            ->open(new VehicleKind("Unit 15, rangers' estate", 'petrol-turbo'), said: 'weak')
            ->read('strokes-cold@vehicle')
            ->bench(14)
            ->sign();

        $this->vehicle('medium-car', 'pads.worn@front', 0, '-50 minutes', 'fenwarren')
            ->open(new VehicleKind('Unit 19, tipper', 'medium-car'), note: 'level low, all dry', said: 'level-falls')
            ->read('look@vehicle', ['level' => 'bad', 'wet' => 'good', 'lamp' => 'bad'])
            ->read('pads-left@front', ['' => 'at-limit'])
            ->bench(2);

        $this->vehicle('heavy-van', 'cylinder.leaks@lr', 5, '-100 minutes', 'aldershaw')
            ->open(new VehicleKind('Unit 28, flatbed', 'heavy-van'), note: 'red lamp on the hill', said: 'lamp')
            ->read('look@vehicle', ['level' => 'secondary', 'wet' => 'lr', 'lamp' => 'bad'])
            ->bench(4);

        $this->vehicle('air-disc-lorry', 'air-slides.seized@rr', 2, '-4 hours', 'tarrenby')
            ->open(new VehicleKind('Unit 38, timber lorry', 'air-disc-lorry'), note: 'right rear wheel hot at the gate')
            ->bench(14)
            ->sign()
            ->line('air-pads@rear', 'with')
            ->line('pad-wire@rear', 'seen');

        $this->vehicle('line-booster', 'remote.poor-gain@vehicle', 1, '-8 days', 'tarrenby')
            ->open($coupe, note: 'goes hard when it should slow down', said: 'weak')
            ->bench(5)
            ->read('remote-bench@vehicle')
            ->sign()
            ->repair($this->sound('line-booster'))
            ->bleed()
            ->proof(3);
    }

    /** Wheel ends, lamps and what is measured from visit to visit. */
    private function wheels(): void
    {
        $library = new VehicleKind('Unit 21, book bus', 'front-rear-discs');
        $wardens = new VehicleKind("Unit 07, wardens' 4x4", 'front-rear-discs');
        $round = [
            ...self::places('t', [21.99, 22.0, 22.01, 22.0, 21.97, 21.98, 22.01, 22.0]),
            ...self::places('f', [0.0, 0.01, 0.05, 0.09, 0.11, 0.1, 0.05, 0.01]),
            ...self::places('u', [0.09, 0.05, 0.01, 0.0, 0.01, 0.05, 0.1, 0.11]),
        ];

        foreach (
            [
                ['-383 days', 'guide-pins.stuck@lf', 2, 41_200, 9.4, 9.8],
                ['-188 days', 'pads.stuck@rf', 2, 52_900, 6.9, 7.3],
            ] as [$since, $suspect, $grade, $km, $left, $right]
        ) {
            $this->vehicle('front-rear-discs', $suspect, $grade, $since, 'tarrenby')
                ->open($library)
                ->bench(14)
                ->measure('wear@lf', self::pads($left), $km)
                ->measure('wear@rf', self::pads($right), $km)
                ->sign()
                ->repair($this->sound('front-rear-discs'))
                ->bleed()
                ->proof(16)
                ->handOver();
        }
        $this->vehicle('front-rear-discs', 'nothing.wrong@vehicle', 0, '-95 minutes', 'tarrenby')
            ->open($library, note: 'before the summer timetable', said: 'none')
            ->bench(6)
            ->measure('wear@lf', self::pads(3.1), 63_100)
            ->measure('wear@rf', self::pads(5.3), 63_100)
            ->measure('wear@lr', self::pads(6.2), 63_100)
            ->measure('wear@rr', self::pads(6.4), 63_100)
            ->measure('limits@lf', ['measured' => 22.3, 'limit' => 22.0], 63_100)
            ->measure('limits@rf', ['measured' => 22.8, 'limit' => 22.0], 63_100);

        $this->vehicle('medium-car', 'hub.rusty@rf', 0, '-4 hours', 'fenwarren')
            ->open(
                new VehicleKind('Unit 09, foresters\' pickup', 'medium-car'),
                note: 'wheel shakes since the new rotors',
                fitted: [['rotor', 'rf', 4]],
                said: 'shakes',
                spentCents: 18600,
            )
            ->bench(4)
            ->measure('rotor-round@rf', $round, 88_400);

        $this->vehicle('front-rear-discs', 'sensor.wire@lf', 0, '-140 minutes', 'aldershaw')
            ->open(
                new VehicleKind('Unit 12, shuttle minibus', 'front-rear-discs'),
                note: 'amber lamp over the cattle grid',
                said: 'lamp-amber',
            )
            ->bench(12)
            ->sign();

        $this->vehicle('front-rear-discs', 'hat-shoes.worn@lr', 0, '-25 hours', 'fenwarren')
            ->open($wardens, note: 'rolls on the slipway', said: 'parking-weak')
            ->bench(6);
    }

    /**
     * @param list<float> $values
     *
     * @return array<string, float>
     */
    private static function places(string $letter, array $values): array
    {
        return array_combine(
            array_map(static fn (int $n): string => $letter.$n, range(1, \count($values))),
            $values,
        );
    }

    /** @return array<string, float> four ends of a pair that wears evenly, mm */
    private static function pads(float $thinnest): array
    {
        return [
            'inner_a' => $thinnest,
            'inner_b' => $thinnest + 0.1,
            'outer_a' => $thinnest + 0.3,
            'outer_b' => $thinnest + 0.2,
        ];
    }

    /** A long name, a long story, thirty readings of which every third is unsure: what a real shop looks like. */
    private function ugly(): void
    {
        $name
            = 'Unit 04, visitor-train tug with the rebuilt rear axle from the old quarry railway '
            .'(spare chassis, second gearbox)';
        $note
            = 'Four drivers, four stories: drags uphill, drags only with visitors aboard, pulls sometimes to the left '
            .'and sometimes not, one says it is the handbrake, the gardener says it has always been like that since '
            .'the winter it stood behind the boat house.';
        $fitted = [['caliper', 'lf', 2], ['hose', 'rf', 2], ['shoes', 'lr', 9]];
        $ugly = $this->vehicle('solid-axle-4x4', 'parking-brake.drags@lr', 0, '-9 days', 'tarrenby', true)->open(
            new VehicleKind($name, 'solid-axle-4x4'),
            'comes-goes',
            $note,
            fitted: $fitted,
        );
        $checks = [
            'dust@vehicle',
            'look@vehicle',
            'pump@vehicle',
            'pedal@vehicle',
            'spin@vehicle',
            'bearing@vehicle',
            'pipe-look@vehicle',
            'reservoir@primary',
            'reservoir@secondary',
            'hose-feel@lf',
            'hose-feel@rf',
            'hose-look@lf',
            'hose-look@rf',
            'hose-look@lr',
            'break-free@lr',
            'break-free@rr',
            'wear@lf',
            'wear@rf',
            'pads-look@lf',
            'pads-look@rf',
            'caliper-look@lf',
            'caliper-look@rf',
            'limits@lf',
            'limits@rf',
            'limits@lr',
            'limits@rr',
            'chalk@lr',
            'chalk@rr',
            'parking-slack@lr',
            'booster-gauge@vehicle',
        ];
        foreach ($checks as $n => $check) {
            $ugly->read($check, unsure: 0 === $n % 3);
        }
    }

    private function vehicle(
        string $preset,
        string $suspect,
        int $grade,
        string $since,
        string $login,
        bool $wavering = false,
    ): PlayedJob {
        $second = $this->people['fenwarren' === $login ? 'aldershaw' : 'fenwarren'];
        $vehicle = $this->player->vehicle($preset, $suspect, $grade, $wavering);

        return $this->player->play($vehicle, $since, $this->people[$login], $second);
    }

    private function sound(string $preset): \Rodrel\Core\Rig\HiddenVehicle
    {
        return $this->player->vehicle($preset, 'nothing.wrong@vehicle', 0);
    }
}
