<?php

declare(strict_types=1);

namespace App\Account;

use App\Input\KeptFor;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use Symfony\Component\Security\Http\Util\TargetPathTrait;
use Twig\Environment;

/**
 * A reading sent after the session ended is not lost: it is kept while its author signs in, and then offered
 * for appending under its own number. A form that came from another site is neither kept nor recorded.
 */
final readonly class PostAfterSignIn implements AuthenticationEntryPointInterface
{
    use TargetPathTrait;

    private const KEPT = 'post_after_sign_in';
    private const OWN_PATHS = '~^/jobs/(new|[0-9a-f-]{36}/entries)$~';

    public function __construct(
        private UrlGeneratorInterface $urls,
        private CsrfTokenManagerInterface $tokens,
        private Environment $twig,
    ) {
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        $ours = $this->tokens->isTokenValid(new CsrfToken('submit', $request->request->getString('_token')));
        if ($request->isMethod('POST') && !$ours && 'sign_in' !== $request->attributes->get('_route')) {
            return new Response(
                $this->twig->render('bundles/TwigBundle/Exception/error403.html.twig'),
                Response::HTTP_FORBIDDEN,
            );
        }
        if (KeptFor::is($request)) { // a device that sends on: it keeps it until its author is signed in
            return new Response('', Response::HTTP_UNAUTHORIZED);
        }
        if ($request->isMethod('POST') && $ours && 1 === preg_match(self::OWN_PATHS, $request->getPathInfo())) {
            $request
                ->getSession()
                ->set(self::KEPT, [
                    'path' => $request->getPathInfo(),
                    'form' => array_diff_key($request->request->all(), ['_token' => true]),
                ]);
            $this->saveTargetPath($request->getSession(), 'main', $this->urls->generate('kept_post'));
        }

        return new RedirectResponse($this->urls->generate('sign_in', [], UrlGeneratorInterface::ABSOLUTE_URL));
    }

    /** @param array{path: string, form: array<string, mixed>} $post */
    public static function keep(Request $request, array $post): void
    {
        $request->getSession()->set(self::KEPT, $post);
    }

    /** @return array{path: string, form: array<string, mixed>}|null */
    public static function take(Request $request): ?array
    {
        /** @var array{path: string, form: array<string, mixed>}|null $kept */
        $kept = $request->getSession()->remove(self::KEPT);

        return $kept;
    }
}
