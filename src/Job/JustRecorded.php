<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\Role;
use App\Account\User;
use App\Text\Say;
use App\Text\Told;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Log\UndoRule;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** What the request before this one wrote: said once, with its undo beside it. */
final readonly class JustRecorded
{
    private const ENTRY = 'just_recorded';

    public function __construct(
        private RequestStack $requests,
        private Security $security,
        private Say $say,
        private Told $told,
    ) {
    }

    #[AsEventListener]
    public function onResponse(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !$request->isMethod('POST') || 303 !== $event->getResponse()->getStatusCode()) {
            return;
        }
        $entry = $request->request->all()['entry'] ?? null;
        if (\is_string($entry) && '' !== $entry) {
            $request->getSession()->set(self::ENTRY, $entry);
        }
    }

    /** @return array{id: string, said: string, undone: bool, undoable: bool}|null nothing of this job */
    public function of(LoadedJob $loaded): ?array
    {
        $session = $this->requests->getSession();
        $id = $session->get(self::ENTRY);
        $story = $loaded->state->story;
        $entry = \is_string($id) ? $story->entry($id) : null;
        if (null === $entry || Kind::Intake === $entry->kind) {
            return null;
        }
        $session->remove(self::ENTRY);
        $of = $entry;
        $undone = false;
        while ($of->payload instanceof UndoPayload && null !== $before = $story->entry($of->payload->cancels)) {
            $of = $before;
            $undone = !$undone;
        }
        $what = $this->told->of($of->payload);
        $named = $this->say->ui('kind.'.$of->kind->value).('' === $what ? '' : ': '.$what);
        $key = $undone ? 'just.undone' : ($of === $entry ? 'just.recorded' : 'just.back');

        return [
            'id' => $entry->id,
            'said' => $this->say->ui($key, ['what' => $named]),
            'undone' => $undone,
            'undoable' => $this->mayUndo($story, $entry),
        ];
    }

    /** @param Entry<\Rodrel\Core\Log\Payload\Payload> $entry */
    private function mayUndo(Story $story, Entry $entry): bool
    {
        $user = $this->security->getUser();
        if (!$user instanceof User || !$story->stands($entry->id)) {
            return false;
        }
        try {
            $isLead = Role::Technician !== $user->role();
            UndoRule::check($story, new UndoPayload($entry->id), $user->id()->toRfc4122(), $isLead);
        } catch (Refused) {
            return false;
        }

        return true;
    }
}
