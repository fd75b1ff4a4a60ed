<?php

declare(strict_types=1);

namespace App\Account;

/** What somebody may do: everybody appends, a lead also waives and overrides, an admin also keeps the people. */
enum Role: string
{
    case Technician = 'technician';
    case Lead = 'lead';
    case Admin = 'admin';
}
