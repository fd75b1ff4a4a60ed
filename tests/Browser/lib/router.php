<?php

declare(strict_types=1);

// For PHP's built-in server: files under public/ as they are, everything else through the application.
$path = parse_url((string) $_SERVER['REQUEST_URI'], \PHP_URL_PATH);
$public = dirname(__DIR__, 3).'/public';
if (is_string($path) && '/' !== $path && is_file($public.$path)) {
    return false;
}
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
require $public.'/index.php';
