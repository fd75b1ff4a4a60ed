<?php

declare(strict_types=1);

// For PHP's built-in server: files under public/ as they are, everything else through the application.
$path = parse_url((string) $_SERVER['REQUEST_URI'], \PHP_URL_PATH);
$public = dirname(__DIR__, 3).'/public';
if (is_string($path) && '/' !== $path && is_file($public.$path)) {
    return false;
}
if ('/here' === $path) { // answered by the web server alone
    http_response_code(204);

    return true;
}
if (is_numeric($_COOKIE['slow'] ?? null) && 'POST' === $_SERVER['REQUEST_METHOD']) { // a shop that is busy
    usleep(min(30_000, (int) $_COOKIE['slow']) * 1000);
}
foreach (['APP_ENV', 'APP_DEBUG', 'APP_SECRET', 'DATABASE_URL', 'MESSENGER_TRANSPORT_DSN', 'RODREL_CLOCK'] as $name) {
    $value = getenv($name); // the built-in server does not hand its environment on by itself
    if (is_string($value)) {
        $_SERVER[$name] = $_ENV[$name] = $value;
    }
}
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
require $public.'/index.php';
