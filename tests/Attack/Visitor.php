<?php

declare(strict_types=1);

namespace App\Tests\Attack;

/** Somebody with a browser, on loopback alone: keeps cookies, signs in, sends what it is told to. */
final class Visitor
{
    private const SECONDS = 30;

    /** @var array<string, string> */
    private array $cookies = [];

    public function __construct(private readonly string $base)
    {
        if (1 !== preg_match('#^http://127\.0\.0\.1:\d+$#', $base)) {
            throw new \InvalidArgumentException('Attacks go to loopback only, like http://127.0.0.1:8377.');
        }
    }

    public function signIn(string $login, string $password = 'thornwater'): bool
    {
        $this->send('GET', '/sign-in');
        $answer = $this->send('POST', '/sign-in', [
            'login' => $login,
            'password' => $password,
            '_csrf_token' => 'csrf-token',
        ]);

        return 302 === $answer->status && !str_contains($answer->header('location'), 'sign-in');
    }

    /**
     * @param array<array-key, mixed>|string|null $body fields, or a body as it is
     * @param list<string> $headers
     */
    public function send(string $method, string $path, array|string|null $body = null, array $headers = []): Answer
    {
        $curl = $this->prepared($method, $path, $body, $headers);
        $since = hrtime(true);
        $text = curl_exec($curl);

        return $this->read($curl, \is_string($text) ? $text : '', (hrtime(true) - $since) / 1e6);
    }

    /**
     * @param array<array-key, mixed>|string|null $body
     * @param list<string> $headers
     */
    public function prepared(string $method, string $path, array|string|null $body, array $headers = []): \CurlHandle
    {
        $cookies = implode('; ', array_map(
            static fn (string $name, string $value): string => $name.'='.$value,
            array_keys($this->cookies),
            $this->cookies,
        ));
        $curl = curl_init($this->base.$path);
        if (false === $curl) {
            throw new \RuntimeException('curl would not start');
        }
        $told = array_filter($headers, static fn (string $header): bool => str_starts_with($header, 'Origin:'));
        $origin = [] === $told ? ['Origin: '.$this->base] : [];
        $options = [
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_HEADER => true,
            \CURLOPT_CUSTOMREQUEST => $method,
            \CURLOPT_NOBODY => 'HEAD' === $method,
            \CURLOPT_HTTPHEADER => [...$origin, 'Cookie: '.$cookies, 'Expect:', ...$headers],
            \CURLOPT_TIMEOUT => self::SECONDS,
            \CURLOPT_PATH_AS_IS => true,
        ];
        if (null !== $body) {
            $isFile = static fn (mixed $value): bool => $value instanceof \CURLFile;
            $files = \is_array($body) && [] !== array_filter($body, $isFile);
            $options[\CURLOPT_POSTFIELDS] = \is_array($body) && !$files ? http_build_query($body) : $body;
        }
        curl_setopt_array($curl, $options);

        return $curl;
    }

    public function read(\CurlHandle $curl, string $text, float $ms): Answer
    {
        $cut = (int) curl_getinfo($curl, \CURLINFO_HEADER_SIZE);
        $head = substr($text, 0, $cut);
        if (preg_match_all('/^set-cookie: ([^=]+)=([^;\r\n]*)/mi', $head, $set, \PREG_SET_ORDER) > 0) {
            foreach ($set as [, $name, $value]) {
                $this->cookies[$name] = $value;
            }
        }

        return new Answer((int) curl_getinfo($curl, \CURLINFO_RESPONSE_CODE), $head, substr($text, $cut), $ms);
    }
}
