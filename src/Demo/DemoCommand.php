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
        $output->writeln('Six jobs on four vehicles.');

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
    }

    private function play(string $preset, string $suspect, int $grade, string $since, string $login): PlayedJob
    {
        $second = 'fenwarren' === $login ? 'aldershaw' : 'fenwarren';

        return new PlayedJob($this->openJob, $this->append, $this->readJob, $this->signed, $this->catalogue, $this->people[$login], $this->people[$second], $this->clock->now()->modify($since), $this->vehicle($preset, $suspect, $grade));
    }

    private function vehicle(string $preset, string $suspect, int $grade): HiddenVehicle
    {
        $layout = Layout::fromArray($this->catalogue->presets[$preset]);

        return HiddenVehicle::with(Field::of($this->catalogue, $layout, $this->predictions->compute($preset)), $suspect, $grade, new Mt19937(self::SEED + crc32($suspect)));
    }
}
