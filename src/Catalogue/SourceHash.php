<?php

declare(strict_types=1);

namespace App\Catalogue;

/**
 * The identity of the core's sources, without their comments: a prediction or a judgement is only as good as the code
 * that made it. Worked out once per build, or once per process where nothing is built.
 */
final class SourceHash
{
    /** The rooms whose code takes part in predicting; a test holds them against the files really loaded. */
    public const PREDICTING = [
        '', 'Vocabulary', 'Quantity', 'Vehicle', 'Physics', 'Road', 'Heat', 'Fault', 'Check', 'Prediction',
    ];
    private const JUDGING = ['Isolation', 'Log', 'Job', 'Proof', 'Repair', 'Bleeding', 'Catalogue'];

    /** @var array{string, string, string}|null */
    private ?array $hashes = null;

    public function __construct(
        private readonly string $projectDir,
        private readonly ?string $builtFile = null,
    ) {
    }

    /** Of what predicts. */
    public function predicting(): string
    {
        return $this->all()[0];
    }

    /** Of what judges, beside what predicts. */
    public function judging(): string
    {
        return $this->all()[1];
    }

    /** Of what is said, in every language. */
    public function texts(): string
    {
        return $this->all()[2];
    }

    /** @return list<string> paths under `core/src` that take part in predicting */
    public function predictingFiles(): array
    {
        return $this->filesOf(self::PREDICTING);
    }

    /** @return array{string, string, string} */
    public function compute(): array
    {
        $texts = hash_init('sha256');
        foreach (glob($this->projectDir.'/translations/*/*.yaml') ?: [] as $file) {
            hash_update($texts, (string) file_get_contents($file));
        }

        return [$this->hashOf(self::PREDICTING), $this->hashOf(self::JUDGING), hash_final($texts)];
    }

    /** @return array{string, string, string} */
    private function all(): array
    {
        if (null === $this->hashes && null !== $this->builtFile && is_file($this->builtFile)) {
            $built = require $this->builtFile;
            if (\is_array($built)) {
                [$predicting, $judging, $texts] = [$built[0] ?? null, $built[1] ?? null, $built[2] ?? null];
                if (\is_string($predicting) && \is_string($judging) && \is_string($texts)) {
                    $this->hashes = [$predicting, $judging, $texts];
                }
            }
        }

        return $this->hashes ??= $this->compute();
    }

    /** @param list<string> $rooms */
    private function hashOf(array $rooms): string
    {
        $hash = hash_init('sha256');
        foreach ($this->filesOf($rooms) as $file) {
            hash_update($hash, $file."\0".$this->bare((string) file_get_contents($this->root().$file))."\0");
        }

        return hash_final($hash);
    }

    /**
     * @param list<string> $rooms '' is the root itself, without its folders
     *
     * @return list<string>
     */
    private function filesOf(array $rooms): array
    {
        $files = [];
        foreach ($rooms as $room) {
            $depth = '' === $room ? ['*.php'] : [$room.'/*.php', $room.'/*/*.php'];
            foreach ($depth as $pattern) {
                foreach (glob($this->root().$pattern) ?: [] as $file) {
                    $files[] = substr($file, \strlen($this->root()));
                }
            }
        }
        sort($files);

        return $files;
    }

    /** Code without comments and white space: explaining it better computes nothing anew. */
    private function bare(string $code): string
    {
        $bare = '';
        foreach (\PhpToken::tokenize($code) as $token) {
            $bare .= $token->is([\T_COMMENT, \T_DOC_COMMENT, \T_WHITESPACE]) ? ' ' : $token->text;
        }

        return (string) preg_replace('/ +/', ' ', $bare);
    }

    private function root(): string
    {
        return $this->projectDir.'/core/src/';
    }
}
