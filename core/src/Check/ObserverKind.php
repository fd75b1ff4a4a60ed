<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/** How a probe is seen. */
enum ObserverKind: string
{
    /** Ordinal words: limits on the probe with log-normal noise. */
    case Words = 'words';
    /** A typed number, log-normal around the probe. */
    case Number = 'number';
    /** Words along a scale that goes both ways: limits on the probe with normal noise. */
    case Signed = 'signed';
    /** What the simulation cannot show: chances from the catalogue. */
    case Sign = 'sign';
    /** What a driver complains about. */
    case Complaint = 'complaint';
    /** A joint opened on a stuck wheel: stuck again?, spurt?, freed? */
    case Opened = 'opened';
    /** A piston pushed back, bleeder shut, then open. */
    case PushBack = 'push-back';
}
