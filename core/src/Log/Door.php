<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Proof\ProofRun;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\GroupAt;

/** The one door into a log: what its rules may ask of the job as it stands. */
interface Door
{
    public function catalogue(): Catalogue;

    public function layout(): Layout;

    public function story(): Story;

    public function situation(): Situation;

    public function proof(): ProofRun;

    /** May the vehicle be driven? */
    public function road(): Gate;

    /** Whether the predictions of this vehicle are there. */
    public function isPredicted(): bool;

    /** The repair group that opened this epoch. */
    public function repaired(): ?GroupAt;

    /** The repair group whose sheet is open: the signed finding's, else the one last carried out. */
    public function repairGroup(): ?GroupAt;

    /** The repair sheet of the visit: the finding's part and all others on the work list; null without a finding. */
    public function sheet(): ?Sheet;

    public function mayHandOver(): bool;
}
