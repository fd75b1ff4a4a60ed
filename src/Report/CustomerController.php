<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use App\Job\RendersJob;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Translation\LocaleSwitcher;

/** The customer's report: on the screen, on paper and as a file, in any language whatever the shop speaks. */
final class CustomerController extends RendersJob
{
    public function __construct(
        private readonly CustomerView $view,
        private readonly InLanguage $in,
        private readonly LocaleSwitcher $locale,
        private readonly Paper $paper,
    ) {
    }

    #[Route('/jobs/{id:job}/customer', name: 'job_customer', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $customer = $this->body($job, $request);

        return $this->page('report/customer.html.twig', $loaded, 'done', new CustomerFrame(...$customer));
    }

    #[Route('/jobs/{id:job}/customer.pdf', name: 'job_customer_pdf', methods: ['GET'])]
    public function pdf(Job $job, Request $request): Response
    {
        $customer = $this->body($job, $request);
        $html = $this->renderView('report/customer_pdf.html.twig', $customer);

        return $this->paper->of($html, 'customer-'.$job->id()->toRfc4122());
    }

    /** @return array{body: string, language: string, languages: list<string>, title: string} */
    private function body(Job $job, Request $request): array
    {
        $loaded = ($this->readJob)($job);
        $language = $this->in->asked($request);

        return $this->locale->runWithLocale($language, function () use ($loaded, $language): array {
            $page = $this->view->of($loaded, $language);

            return [
                'body' => $this->renderView('report/customer_body.html.twig', [
                    ...get_object_vars($page),
                    'unit' => $loaded->job->unit(),
                ]),
                'language' => $language,
                'languages' => $page->languages,
                'title' => $this->say->ui('customer.title'),
            ];
        });
    }
}
