<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Photo\Darkroom;
use App\Photo\Photos;

/** Where pictures are kept, and where those from elsewhere are developed first. */
final readonly class Album
{
    public function __construct(public Photos $photos, public Darkroom $darkroom)
    {
    }
}
