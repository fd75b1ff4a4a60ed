<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Finding\SignedFinding;
use App\Job\AppendEntry;
use App\Job\OpenJob;
use App\Job\ReadJob;
use Rodrel\Core\Catalogue\Catalogue;

/** Who plays a job, who looks a second time, and the use cases that both go through. */
final readonly class Hands
{
    public function __construct(
        public User $author,
        public User $second,
        public OpenJob $openJob,
        public AppendEntry $append,
        public ReadJob $readJob,
        public SignedFinding $signed,
        public Catalogue $catalogue,
    ) {
    }
}
