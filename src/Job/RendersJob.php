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
    private JustRecorded $just;

    #[Required]
    public function frame(ReadJob $readJob, Say $say, NextThing $nextThing, JustRecorded $just): void
    {
        $this->readJob = $readJob;
        $this->say = $say;
        $this->nextThing = $nextThing;
        $this->just = $just;
    }

    /** @param object|null $matter the page's model: what its template sees beside the frame */
    protected function page(string $template, LoadedJob $loaded, string $here, ?object $matter = null): Response
    {
        return $this->render($template, [
            'page' => JobPage::of($loaded, $here, $this->say, $this->nextThing),
            'just' => $this->just->of($loaded),
            ...(null === $matter ? [] : get_object_vars($matter)),
        ]);
    }
}
