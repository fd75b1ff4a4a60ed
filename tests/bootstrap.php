<?php

declare(strict_types=1);

use Symfony\Component\Dotenv\Dotenv;

require dirname(__DIR__).'/vendor/autoload.php';

// one file of the core as a mutant of itself: see tests/Mutation
$mutant = getenv('RODREL_MUTANT');
if (is_string($mutant) && str_ends_with($mutant, '.php')) {
    $class = 'Rodrel\\Core\\'.strtr(substr($mutant, strlen('core/src/'), -4), '/', '\\');
    spl_autoload_register(static function (string $asked) use ($class): void {
        if ($asked === $class) {
            require getenv('RODREL_MUTANT_FILE');
        }
    }, true, true);
}

(new Dotenv())->bootEnv(dirname(__DIR__).'/.env', 'test');
// tests compute with compiled code, which no signal may reach: docs/decisions/0006-just-in-time.md
if (function_exists('pcntl_async_signals')) {
    pcntl_async_signals(false);
}
