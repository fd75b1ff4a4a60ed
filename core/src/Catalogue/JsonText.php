<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

/** A JSON text with the line on which every value stands, and the keys that stand in one object twice. */
final class JsonText
{
    /** @var array<string, int> line by JSON pointer */
    public array $lines = [];
    /** @var list<string> pointers of keys that came a second time */
    public array $twice = [];
    private int $at = 0;
    private int $line = 1;
    private int $counted = 0;

    /** @param array<array-key, mixed>|null $data null where the text is no JSON object */
    private function __construct(
        private readonly string $text,
        public readonly ?array $data,
        public readonly string $error,
    ) {
    }

    public static function read(string $text): self
    {
        $data = json_decode($text, true);
        $read = new self($text, \is_array($data) ? $data : null, json_last_error_msg());
        if (\is_array($data)) {
            $read->value('');
        }

        return $read;
    }

    /** The line of a pointer, or of the nearest thing around it. */
    public function lineOf(string $pointer): int
    {
        while (!isset($this->lines[$pointer])) {
            $cut = strrpos($pointer, '/');
            if (false === $cut) {
                return 1;
            }
            $pointer = substr($pointer, 0, $cut);
        }

        return $this->lines[$pointer];
    }

    /** The text is JSON already: only its brackets, keys and commas are followed here. */
    private function value(string $pointer): void
    {
        $this->blank();
        $this->lines[$pointer] = $this->line();
        match ($this->text[$this->at]) {
            '{' => $this->members($pointer),
            '[' => $this->elements($pointer),
            '"' => $this->string(),
            default => ($this->at += strcspn($this->text, ",]} \n\r\t", $this->at)),
        };
    }

    private function members(string $pointer): void
    {
        ++$this->at;
        $seen = [];
        for ($this->blank(); '}' !== $this->text[$this->at]; $this->blank()) {
            $key = $this->string();
            if (isset($seen[$key])) {
                $this->twice[] = $pointer.'/'.$key;
            }
            $seen[$key] = true;
            $this->blank();
            ++$this->at;
            $this->value($pointer.'/'.$key);
            $this->comma();
        }
        ++$this->at;
    }

    private function elements(string $pointer): void
    {
        ++$this->at;
        $n = 0;
        for ($this->blank(); ']' !== $this->text[$this->at]; $this->blank()) {
            $this->value($pointer.'/'.$n++);
            $this->comma();
        }
        ++$this->at;
    }

    private function string(): string
    {
        $start = $this->at++;
        while ('"' !== $this->text[$this->at]) {
            $this->at += '\\' === $this->text[$this->at] ? 2 : 1;
        }
        $text = json_decode(substr($this->text, $start, ++$this->at - $start));

        return \is_string($text) ? $text : '';
    }

    private function comma(): void
    {
        $this->blank();
        $this->at += ',' === $this->text[$this->at] ? 1 : 0;
    }

    private function blank(): void
    {
        $this->at += strspn($this->text, " \n\r\t", $this->at);
    }

    private function line(): int
    {
        $this->line += substr_count($this->text, "\n", $this->counted, $this->at - $this->counted);
        $this->counted = $this->at;

        return $this->line;
    }
}
