<?php

declare(strict_types=1);

namespace App\Tests\Attack;

use Random\Randomizer;

/** Requests that no form of ours would send: each a function of its number alone. */
final class Hostile
{
    /** Routes that take what the forms send, and files: most of the requests go there. */
    private const DOORS = [
        'job_append', 'job_append', 'job_append', 'job_open', 'shop_change', 'shop_person', 'job_bring_in', 'job_photo',
    ];
    private const HEADERS = [
        'Accept-Language: ', 'X-Forwarded-For: ', 'Referer: ', 'Range: bytes=', 'X-Request-Id: ', 'If-None-Match: ',
        'If-Modified-Since: ', 'X-Forwarded-Host: ', 'User-Agent: ', 'Accept: ', 'X-Http-Method-Override: ',
    ];
    private const NASTY = [
        '', ' ', "\0", "a\0b", "\xff\xfe", "\xc3\x28", "\xed\xa0\x80", "\u{202E}abc", "\r\nSet-Cookie: x=1", '%',
        '-1', '1e309', '-1e309', 'NaN', 'INF', '0x10', '9223372036854775808', '99999999999', '1.0000000000000001',
        '٣٫٥', "'; DROP TABLE job;--", '<script>alert(1)</script>', '{{7*7}}', '../../../../etc/passwd', '@', '@@', '½',
        'kind.mode@place', 'spin@nowhere', '=cmd()', "\t=1", '[]', '{}', '[[[[[[[[', 'null', 'true', '2026-02-30', '−4',
        '1/0', 'a@b@c', '%00', '9999-99-99T99:99', '2026-11-26T10:00:00+99:99', '0000-00-00', '.',
        '00000000-0000-0000-0000-000000000000',
    ];

    /** @var list<string>|null */
    private static ?array $fields = null;
    /** @var list<array<string, mixed>>|null */
    private static ?array $forms = null;

    /**
     * @param array<string, array{path: string, method: string}> $routes
     * @param non-empty-list<string> $jobs ids
     */
    public static function request(Randomizer $chance, array $routes, array $jobs, string $root): Sent
    {
        $name = $chance->getInt(0, 1) > 0 ? self::pick($chance, self::DOORS) : '';
        $route = $routes[$name] ?? $routes[self::pick($chance, array_keys($routes))];
        $fill = static function (array $place) use ($chance, $jobs): string {
            $fits = ['id' => $jobs, 'job' => $jobs, 'check' => ['spin@vehicle', 'dust@vehicle', 'gauge@lf', 'pins@rf']];

            return $chance->getInt(0, 9) < 8
                ? self::pick($chance, $fits[$place[1]] ?? ['1', 'bench', 'lf'])
                : rawurlencode(substr(self::nasty($chance), 0, 300));
        };
        $path = (string) preg_replace_callback('/\{(\w+)\}/', $fill, str_replace('.{_format}', '', $route['path']));
        if (0 === $chance->getInt(0, 3)) {
            $path .= '?'.http_build_query(self::form($chance, $root, $jobs));
        } elseif (0 === $chance->getInt(0, 19)) {
            $path .= '?%ff%00[]['.rawurlencode(substr(self::nasty($chance), 0, 100));
        }
        $methods = 'ANY' === $route['method'] ? ['GET', 'POST'] : explode('|', $route['method']);
        $method = 0 === $chance->getInt(0, 19)
            ? self::pick($chance, ['GET', 'POST', 'PUT', 'DELETE', 'HEAD', 'OPTIONS', 'PATCH'])
            : self::pick($chance, $methods);
        $headers = [];
        $body = null;
        if (\in_array($method, ['POST', 'PUT', 'PATCH'], true)) {
            [$body, $headers] = self::body($chance, $root, $jobs);
        }
        if (0 === $chance->getInt(0, 7)) {
            $value = str_replace(["\r", "\n", "\0"], ' ', self::nasty($chance));
            $headers[] = self::pick($chance, self::HEADERS).substr($value, 0, 400);
        }

        return new Sent($method, $path, $body, $headers);
    }

    /**
     * @param non-empty-list<string> $jobs
     *
     * @return array{array<array-key, mixed>|string, list<string>}
     */
    private static function body(Randomizer $chance, string $root, array $jobs): array
    {
        $form = self::form($chance, $root, $jobs);
        switch ($chance->getInt(0, 13)) {
            case 0:
                return [self::nasty($chance), ['Content-Type: application/json']];
            case 1:
                return [(string) json_encode($form, \JSON_INVALID_UTF8_SUBSTITUTE), ['Content-Type: application/json']];
            case 2:
            case 3:
                $file = (string) tempnam(sys_get_temp_dir(), 'fuzz');
                file_put_contents($file, self::file($chance, $root));
                register_shutdown_function(static fn (): bool => is_file($file) && unlink($file));
                $kind = self::pick($chance, ['image/png', 'application/json']);
                $called = self::pick($chance, ['a.png', '../../x.php', "b\u{202E}gnp.json"]);
                $sent = new \CURLFile($file, $kind, $called);

                $about = 'check:spin@vehicle';

                return [['_token' => 'csrf-token', 'about' => $about, 'file' => $sent, 'photo' => $sent], []];
            case 4:
                return [substr(self::nasty($chance), 0, 2000), ['Content-Type: multipart/form-data; boundary=x']];
            default:
                return [$form, []];
        }
    }

    private static function file(Randomizer $chance, string $root): string
    {
        $exports = glob($root.'/tests/fixtures/exports/*/*.json') ?: [];
        $text = [] === $exports ? '{}' : (string) file_get_contents(self::pick($chance, $exports));
        switch ($chance->getInt(0, 8)) {
            case 0:
                return self::nasty($chance);
            case 1:
                return substr($text, 0, $chance->getInt(0, \strlen($text)));
            case 2:
                $ends = "\x08\x02\0\0\0".$chance->getBytes(40);

                return "\x89PNG\r\n\x1a\n\0\0\0\rIHDR\xff\xff\xff\xff\xff\xff\xff\xff".$ends;
            case 3:
                return "\xff\xd8\xff\xe0\0\x10JFIF".$chance->getBytes(200);
            default:
                $bent = self::bent($chance, json_decode($text, true), 3);

                return (string) json_encode($bent, \JSON_INVALID_UTF8_SUBSTITUTE);
        }
    }

    /** A document with some of its values replaced. */
    private static function bent(Randomizer $chance, mixed $data, int $times): mixed
    {
        for ($n = 0; $n < $times && \is_array($data) && [] !== $data; ++$n) {
            $key = self::pick($chance, array_keys($data));
            if (\is_array($data[$key]) && $chance->getInt(0, 4) > 0) {
                $data[$key] = self::bent($chance, $data[$key], 1);
            } elseif (0 === $chance->getInt(0, 5)) {
                unset($data[$key]);
            } else {
                $data[$key] = self::value($chance);
            }
        }

        return $data;
    }

    /**
     * @param non-empty-list<string> $jobs
     *
     * @return array<array-key, mixed>
     */
    private static function form(Randomizer $chance, string $root, array $jobs): array
    {
        $form = $chance->getInt(0, 4) > 0 ? self::pick($chance, self::forms($root)) : [];
        if ($chance->getInt(0, 2) > 0) {
            $form = (array) self::bent($chance, $form, $chance->getInt(1, 2));
        }
        if ($chance->getInt(0, 29) > 0) {
            $form['_token'] = $form['_csrf_token'] = 'csrf-token';
        }
        if ($chance->getInt(0, 9) > 1) {
            $hex = bin2hex($chance->getBytes(16));
            $uuid = (string) preg_replace('/^(.{8})(.{4}).(.{3}).(.{3})/', '$1-$2-7$3-8$4-', $hex);
            $form['entry'] = 0 === $chance->getInt(1, 9) % 9 ? self::nasty($chance) : $uuid;
        }
        for ($n = $chance->getInt(0, 3); $n > 0; --$n) {
            $form[self::pick($chance, self::fields($root))] = self::value($chance);
        }
        if (0 === $chance->getInt(0, 6)) {
            $form['job'] = self::pick($chance, $jobs);
        }

        return $form;
    }

    /** @return non-empty-list<array<string, mixed>> what forms of ours do send: one bent field meets the rule then */
    private static function forms(string $root): array
    {
        if (null === self::$forms) {
            $read = json_decode((string) file_get_contents($root.'/tests/Attack/forms.json'), true);
            self::$forms = \is_array($read) ? array_values($read) : [];
        }

        return [] !== self::$forms ? self::$forms : throw new \LogicException('tests/Attack/forms.json is not there.');
    }

    private static function value(Randomizer $chance): mixed
    {
        return match ($chance->getInt(0, 6)) {
            0 => [self::nasty($chance)],
            1 => ['lf' => self::nasty($chance), 'x' => [['y' => '1']]],
            2 => (string) $chance->getInt(-5, 500),
            3 => self::pick($chance, ['lf', 'spin@vehicle', 'hose.one-way@lf', 'hose@lf', '2026-11-26', 'N·m', '2,7']),
            default => self::nasty($chance),
        };
    }

    private static function nasty(Randomizer $chance): string
    {
        return match ($chance->getInt(0, 11)) {
            0 => str_repeat('A', $chance->getInt(60, 600)),
            1 => str_repeat('ä', $chance->getInt(60, 5000)),
            2 => str_repeat("\u{1F600}", 200),
            3 => '{"a":'.str_repeat('[', 600),
            default => self::pick($chance, self::NASTY),
        };
    }

    /** @return non-empty-list<string> names of fields that the templates have, and some that they have not */
    private static function fields(string $root): array
    {
        if (null === self::$fields) {
            $names = ['x', '0', '_method', '__proto__', 'entries', 'payload', 'taken', 'by'];
            $templates = new \RecursiveDirectoryIterator($root.'/templates', \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($templates) as $file) {
                preg_match_all('/name="(\w+)(\[|")/', (string) file_get_contents((string) $file), $found);
                array_push($names, ...$found[1]);
            }
            $names = array_values(array_unique($names));
            sort($names);
            self::$fields = $names;
        }

        return self::$fields;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     *
     * @return T
     */
    private static function pick(Randomizer $chance, array $of): mixed
    {
        return $of[$chance->getInt(0, \count($of) - 1)];
    }
}
