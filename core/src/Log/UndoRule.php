<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\UndoPayload;

/**
 * Who may take what back, and who may bring it back: what shuts a gate anybody may do, what opens one is its author's
 * or a lead's, and a lead's decision is brought back by a lead alone.
 */
enum UndoRule: string
{
    case Anyone = 'anyone';
    case Author = 'author';
    case Lead = 'lead';

    /**
     * @param string $author of the undo
     *
     * @throws Refused
     */
    public static function check(Story $story, UndoPayload $undo, string $author, bool $isLead): void
    {
        [$root, $takesBack] = self::root($story, $undo);
        $allowed = null === $root ? true : match (self::of($root->payload, $takesBack)) {
            self::Anyone => true,
            self::Author => $isLead || $root->author === $author,
            self::Lead => $isLead,
        };
        if (!$allowed) {
            throw Refused::by('undo', ['not-yours-to-undo']);
        }
    }

    public static function of(Payload $payload, bool $takesBack): self
    {
        $kind = $payload::kind();
        if ($takesBack) {
            $bars = $payload instanceof ItemPayload && ($payload->safety || $payload->refused);

            return $bars || Kind::Handover === $kind ? self::Author : self::Anyone;
        }
        if ($kind->isLeads()) {
            return self::Lead;
        }

        return $kind->opensGates() || Kind::Settled === $kind ? self::Author : self::Anyone;
    }

    /** @return array{Entry<Payload>|null, bool} what an undo is about in the end, and whether it takes that back */
    private static function root(Story $story, UndoPayload $undo): array
    {
        $entry = $story->entry($undo->cancels);
        $takesBack = true;
        while (null !== $entry && $entry->payload instanceof UndoPayload) {
            $entry = $story->entry($entry->payload->cancels);
            $takesBack = !$takesBack;
        }

        return [$entry, $takesBack];
    }
}
