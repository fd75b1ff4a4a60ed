<?php

declare(strict_types=1);

namespace App\Desk;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What the words of the house mean. */
final class GlossaryController extends AbstractController
{
    private const WORDS = [
        'belief', 'check', 'confirmed', 'contradiction', 'epoch', 'finding', 'gate', 'leader', 'proof', 'school',
        'second-fault', 'second-look', 'station', 'trail', 'trial', 'typical', 'unsure',
    ];

    #[Route('/glossary', name: 'glossary', methods: ['GET'])]
    public function __invoke(): Response
    {
        return $this->render('shop/glossary.html.twig', ['words' => self::WORDS]);
    }
}
