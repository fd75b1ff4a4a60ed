<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Contracts\Service\Attribute\Required;

/** Base of a job's pages: loads it and draws the frame around the page's own matter. */
abstract class RendersJob extends AbstractController
{
    protected ReadJob $readJob;
    protected Say $say;
    private NextThing $nextThing;

    #[Required]
    public function frame(ReadJob $readJob, Say $say, NextThing $nextThing): void
    {
        $this->readJob = $readJob;
        $this->say = $say;
        $this->nextThing = $nextThing;
    }

    /** @param array<string, mixed> $matter */
    protected function page(string $template, LoadedJob $loaded, string $here, array $matter): Response
    {
        return $this->render($template, [
            'page' => JobPage::of($loaded, $here, $this->say, $this->nextThing),
            ...$matter,
        ]);
    }
}
