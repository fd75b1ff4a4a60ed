<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\Role;
use App\Account\User;
use App\Account\UserRepository;
use App\Finding\SignedFinding;
use App\Job\AppendEntry;
use App\Job\OpenJob;
use App\Job\ReadJob;
use App\Prediction\Predictions;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Random\Engine\Mt19937;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Fills the shop with the vehicles of an invented nature park, played by the model. */
#[AsCommand('rodrel:demo', 'Loads the demo shop; does nothing where there is a shop already')]
final class DemoCommand
{
    private const PASSWORD = 'thornwater';
    private const PEOPLE = [['fenwarren', 'I. Fenwarren', Role::Technician], ['tarrenby', 'O. Tarrenby', Role::Technician], ['aldershaw', 'M. Aldershaw', Role::Lead], ['quillane', 'S. Quillane', Role::Admin]];
    private const SEED = 20261;

    /** @var array<string, User> */
    private array $people = [];

    public function __construct(
        private readonly UserRepository $users,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly EntityManagerInterface $entities,
        private readonly Connection $database,
        private readonly Predictions $predictions,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly OpenJob $openJob,
        private readonly AppendEntry $append,
        private readonly ReadJob $readJob,
        private readonly SignedFinding $signed,
    ) {
    }

    public function __invoke(OutputInterface $output, #[Option('throw all jobs away first')] bool $again = false): int
    {
        if ($again) {
            $this->database->executeStatement('TRUNCATE job, job_entry, job_line, person, sessions');
        } elseif ([] !== $this->users->findAll()) {
            $output->writeln('There is a shop already; --again replaces it.');

            return 0;
        }
        $this->entities->wrapInTransaction(function (): void {
            $this->people();
            $this->jobs();
        });
        $output->writeln('Twelve jobs on eight vehicles.');

        return 0;
    }

    private function people(): void
    {
        foreach (self::PEOPLE as [$login, $name, $role]) {
            $user = User::join($login, $name, $role);
            $user->changePassword($this->hasher->hashPassword($user, self::PASSWORD));
            $this->users->add($this->people[$login] = $user);
        }
    }

    private function jobs(): void
    {
        $this->play('front-rear-discs', 'guide-pins.stuck@rf', 2, '-23 days', 'tarrenby')
            ->open('Unit 12, shuttle minibus', 'front-rear-discs', ['note' => 'smells after the descent from the quarry car park'])
            ->bench(12)->sign()->repair($this->vehicle('front-rear-discs', 'nothing.wrong@vehicle', 0))->bleed()->proof(12)->handOver();

        $this->play('medium-car', 'piston.stuck-out@rf', 4, '-3 days', 'fenwarren')
            ->open('Unit 23, small van', 'medium-car', ['parts' => [['part' => 'pads', 'place' => 'rf', 'weeks' => 3]], 'note' => 'came back: new pads, still hot'])
            ->bench(12)->sign()->prepare()->steps(4)
            ->write(Kind::Item, ['text' => 'Line plug in the right front hose', 'due' => '', 'safety' => true], 1)
            ->write(Kind::Item, ['text' => 'Caliper ordered, bleeder on top', 'due' => $this->clock->now()->modify('+1 day')->format('Y-m-d'), 'safety' => false], 1);

        $this->play('front-rear-discs', 'hose.one-way@rr', 13, '-26 hours', 'tarrenby')
            ->open("Unit 07, wardens' 4x4", 'front-rear-discs', ['pattern' => 'lets-go', 'note' => 'after the ford'])
            ->bench(12)->sign()->repair($this->vehicle('front-rear-discs', 'nothing.wrong@vehicle', 0))->bleed()->proof(3);

        $this->play('medium-car', 'cylinder.seized@lr', 2, '-5 hours', 'tarrenby')
            ->open('Unit 19, tipper', 'medium-car', ['hot' => true, 'note' => 'stood all winter behind the salt store'])
            ->bench(14);

        $this->play('front-rear-discs', 'booster.holds@vehicle', 1, '-70 minutes', 'fenwarren')
            ->open("Unit 07, wardens' 4x4", 'front-rear-discs', ['pattern' => 'engine-only'])
            ->read('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'])->read('pedal@vehicle');

        $this->play('front-rear-discs', 'hose.one-way@lf', 9, '-44 minutes', 'fenwarren')
            ->open('Unit 12, shuttle minibus', 'front-rear-discs', ['pattern' => 'warm', 'driven_in' => true, 'parts' => [['part' => 'caliper', 'place' => 'lf', 'weeks' => 3]], 'note' => 'long descent from the viewpoint'])
            ->bench(3);

        $this->moreUnits();
    }

    private function moreUnits(): void
    {
        $this->play('medium-car', 'guide-pins.stuck@lf', 0, '-41 days', 'fenwarren')
            ->open('Unit 23, small van', 'medium-car', ['pattern' => 'always', 'note' => 'left front rim dustier for weeks'])
            ->ground()->read('spin@vehicle')->lowered()->read('heat-loop@vehicle')
            ->bench(14)->sign()->repair($this->vehicle('medium-car', 'nothing.wrong@vehicle', 0))->bleed()->proof(14)->handOver();

        $this->play('all-drum-single', 'adjuster.over-wound@rf', 2, '-6 days', 'tarrenby')
            ->open('Unit 31, open tour car', 'all-drum-single', ['note' => 'new linings all round for the summer season', 'parts' => [['part' => 'shoes', 'place' => 'rf', 'weeks' => 1]]])
            ->bench(12)->sign()->prepare()->steps(2);

        $this->play('petrol-turbo', 'booster.holds-briefly@vehicle', 4, '-3 hours', 'fenwarren')
            ->open("Unit 15, rangers' estate", 'petrol-turbo', ['pattern' => 'lets-go', 'note' => 'holds on at the gate, then rolls by itself; a hum from behind the dash'])
            ->bench(6);

        $this->play('heavy-van', 'cylinder.leaks@lr', 5, '-2 days', 'aldershaw')
            ->open('Unit 28, flatbed', 'heavy-van', ['note' => 'the rear steps out on wet cobbles'])
            ->read('look@vehicle', ['level' => 'bad', 'wet' => 'bad', 'lamp' => 'good'])->bench(14)->sign()->prepare()
            ->write(Kind::Item, ['text' => 'Right rear cylinder and linings refused by the park office, told S. Quillane', 'due' => $this->clock->now()->modify('+30 days')->format('Y-m-d'), 'safety' => false], 2);

        $this->play('petrol-turbo', 'rear-caliper.lever@rr', 1, '-12 days', 'tarrenby')
            ->open("Unit 15, rangers' estate", 'petrol-turbo', ['driven_in' => true, 'note' => 'hot right rear after the school run'])
            ->read('heat-arrival@vehicle')->bench(14)->sign()->repair($this->vehicle('petrol-turbo', 'nothing.wrong@vehicle', 0))->bleedBegun();

        $ugly = $this->play('solid-axle-4x4', 'parking-brake.drags@lr', 0, '-9 days', 'tarrenby', true)
            ->open('Unit 04, visitor-train tug with the rebuilt rear axle from the old quarry railway (spare chassis, second gearbox)', 'solid-axle-4x4', ['pattern' => 'comes-goes', 'note' => 'Four drivers, four stories: drags uphill, drags only with visitors aboard, pulls sometimes to the left and sometimes not, one says it is the handbrake, the gardener says it has always been like that since the winter it stood behind the boat house.', 'parts' => [['part' => 'caliper', 'place' => 'lf', 'weeks' => 2], ['part' => 'hose', 'place' => 'rf', 'weeks' => 2], ['part' => 'shoes', 'place' => 'lr', 'weeks' => 9]]]);
        $checks = ['dust@vehicle', 'look@vehicle', 'pump@vehicle', 'pedal@vehicle', 'spin@vehicle', 'bearing@vehicle', 'pipe-look@vehicle', 'reservoir@primary', 'reservoir@secondary', 'hose-feel@lf', 'hose-feel@rf', 'hose-look@lf', 'hose-look@rf', 'hose-look@lr', 'break-free@lr', 'break-free@rr', 'wear@lf', 'wear@rf', 'pads-look@lf', 'pads-look@rf', 'caliper-look@lf', 'caliper-look@rf', 'limits@lf', 'limits@rf', 'limits@lr', 'limits@rr', 'chalk@lr', 'chalk@rr', 'parking-slack@lr', 'booster-gauge@vehicle'];
        foreach ($checks as $n => $check) {
            $ugly->read($check, unsure: 0 === $n % 3);
        }
    }

    private function play(string $preset, string $suspect, int $grade, string $since, string $login, bool $wavering = false): PlayedJob
    {
        $second = 'fenwarren' === $login ? 'aldershaw' : 'fenwarren';

        return new PlayedJob($this->openJob, $this->append, $this->readJob, $this->signed, $this->catalogue, $this->people[$login], $this->people[$second], $this->clock->now()->modify($since), $this->vehicle($preset, $suspect, $grade, $wavering));
    }

    private function vehicle(string $preset, string $suspect, int $grade, bool $wavering = false): HiddenVehicle
    {
        $layout = Layout::fromArray($this->catalogue->presets[$preset]);

        return HiddenVehicle::with(Field::of($this->catalogue, $layout, $this->predictions->compute($this->catalogue->vehicle($preset))), $suspect, $grade, new Mt19937(self::SEED + crc32($suspect)), $wavering);
    }
}
