<?php

declare(strict_types=1);

namespace App\Watch;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Twig\Environment;

/**
 * What is sent must be text: valid UTF-8 without the zero character, which no page, file or table of ours can hold.
 * Sent otherwise, it is refused with the names of the fields, before anything reads it.
 */
final readonly class TextGuard
{
    /** Fields that one request may carry: the largest sheet has some sixty. */
    private const MOST_FIELDS = 2000;

    public function __construct(private Environment $twig)
    {
    }

    #[AsEventListener(priority: 30)]
    public function onRequest(RequestEvent $event): void
    {
        if (!$event->isMainRequest()) {
            return;
        }
        if (str_starts_with($event->getRequest()->getPathInfo(), '//')) {
            // a browser sent back to it would read another machine's name
            throw new NotFoundHttpException();
        }
        $wrong = $this->wrong($event->getRequest());
        if ([] !== $wrong) {
            $event->setResponse(new Response(
                $this->twig->render('error/text.html.twig', ['fields' => array_unique($wrong)]),
                Response::HTTP_UNPROCESSABLE_ENTITY,
            ));
        }
    }

    /** @return list<string> names of the fields that are no text */
    private function wrong(Request $request): array
    {
        $wrong = [];
        $count = 0;
        $look = static function (mixed $value, int|string $key) use (&$wrong, &$count): void {
            ++$count;
            foreach ([$key, $value] as $text) {
                if (\is_string($text) && (!mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0"))) {
                    $wrong[] = mb_substr(mb_scrub((string) $key), 0, 40);
                }
            }
        };
        foreach ([$request->query->all(), $request->request->all()] as $fields) {
            array_walk_recursive($fields, $look);
            // keys of arrays within arrays
            foreach ($fields as $key => $value) {
                $look('', $key);
                if (\is_array($value)) {
                    array_walk($value, static fn (mixed $v, int|string $inner) => $look('', $inner));
                }
            }
        }
        $look(rawurldecode($request->getPathInfo()), 'address');

        return $count > self::MOST_FIELDS ? ['…'] : $wrong;
    }
}
