<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use Rodrel\Core\Log\Kind;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\AccessDecisionManagerInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Vote;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Everyone of the shop may append; waiving a proof or overriding a gate, and standing for what came in from elsewhere
 * is a lead's.
 *
 * @extends Voter<string, Kind>
 */
final class JobVoter extends Voter
{
    public const APPEND = 'append';

    public function __construct(private readonly AccessDecisionManagerInterface $decisions)
    {
    }

    public function supportsAttribute(string $attribute): bool
    {
        return self::APPEND === $attribute;
    }

    protected function supports(string $attribute, mixed $subject): bool
    {
        return self::APPEND === $attribute && $subject instanceof Kind;
    }

    protected function voteOnAttribute(
        string $attribute,
        mixed $subject,
        TokenInterface $token,
        ?Vote $vote = null,
    ): bool {
        if (!$token->getUser() instanceof User) {
            return false;
        }
        if (!$subject->isLeads()) {
            return true;
        }
        if ($this->decisions->decide($token, ['ROLE_LEAD'])) {
            return true;
        }
        $vote?->addReason('Only a lead may waive a proof or override a gate.');

        return false;
    }
}
