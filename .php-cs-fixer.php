<?php

declare(strict_types=1);

$files = (new PhpCsFixer\Finder())
    ->in([__DIR__ . '/core', __DIR__ . '/src', __DIR__ . '/tests', __DIR__ . '/migrations', __DIR__ . '/config'])
    ->append([__DIR__ . '/bin/console', __DIR__ . '/bin/pin'])
    ->notPath('reference.php');

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'psr_autoloading' => false,
        'phpdoc_to_comment' => false,
        'single_line_throw' => false,
        'phpdoc_align' => false,
        'operator_linebreak' => ['position' => 'beginning'],
        'native_function_invocation' => [
            'include' => ['@compiler_optimized'],
            'scope' => 'namespaced',
            'strict' => true,
        ],
    ])
    ->setCacheFile(__DIR__ . '/var/php-cs-fixer.cache')
    ->setFinder($files);
