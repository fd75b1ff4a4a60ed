<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

/** What a line of the log says. */
enum Kind: string
{
    /** Complaint, pattern, history. */
    case Intake = 'intake';
    /** A check answered. */
    case Reading = 'reading';
    /** The vehicle's own figures: bores, torques, limits. */
    case Figures = 'figures';
    /** The vehicle raised, lowered, its wheels taken off. */
    case Lift = 'lift';
    /** The hot wheel has cooled down. */
    case Cool = 'cool';
    /** Takes an earlier entry back. */
    case Undo = 'undo';
    /** A finding signed, with what it rested on. */
    case Finding = 'finding';
    /** A thing laid ready before opening. */
    case Prepared = 'prepared';
    /** A step of the repair done, with its figure where it has one. */
    case Step = 'step';
    /** A hold point looked at a second time. */
    case Confirm = 'confirm';
    /** The repair is finished: a new epoch begins. */
    case Repaired = 'repaired';
    /** How the bleed run goes: method, fluid, order, purpose. */
    case BleedSetup = 'bleed-setup';
    /** Strokes at one bleeder. */
    case Bleed = 'bleed';
    /** The bleed run is finished. */
    case Bled = 'bled';
    /** A proof criterion waived by a lead, with a reason. */
    case Waive = 'waive';
    /** A gate overridden by a lead, with a reason. */
    case Override = 'override';
    /** A photo taken at a check or a step. */
    case Photo = 'photo';
    /** An open item: plug, prop, refused work, part on the shelf. */
    case Item = 'item';
    /** An open item settled. */
    case Settled = 'settled';
    /** The vehicle handed over. */
    case Handover = 'handover';
}
