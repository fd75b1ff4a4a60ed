<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\UserRepository;
use App\Text\Say;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Rodrel\Core\Log\Kind;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** For leads: who overrode, waived, countersigned, handed over, took such a thing back, or brought a job in. */
final class AuditController extends AbstractController
{
    private const MOST = 200;
    private const DECIDES = [Kind::Override, Kind::Waive, Kind::Countersign, Kind::Handover];

    public function __construct(
        private readonly Connection $database,
        private readonly UserRepository $users,
        private readonly Say $say,
    ) {
    }

    #[Route('/shop/audit', name: 'audit', methods: ['GET'])]
    #[IsGranted('ROLE_LEAD')]
    public function __invoke(): Response
    {
        $kinds = array_map(static fn (Kind $kind): string => $kind->value, self::DECIDES);
        // each branch walks its kinds from the newest; what an undo took back stands in the same log
        $newest = static fn (string $which): string => "(SELECT e.kind, e.payload->>'reason' AS reason, e.author_id,
                e.recorded_at, e.job_id, e.seq, b.kind AS back, e.claim->>'name' AS claimed
            FROM job_entry e
            LEFT JOIN job_entry b ON e.kind = 'undo' AND b.job_id = e.job_id AND b.id::text = e.payload->>'cancels'
            WHERE $which ORDER BY e.recorded_at DESC, e.seq DESC LIMIT ".self::MOST.')';
        $rows = $this->database->fetchAllAssociative(
            'SELECT all_.*, j.unit FROM ('.implode(' UNION ALL ', [
                $newest('e.kind IN (:kinds)'),
                $newest("e.kind = 'undo' AND b.kind IN (:kinds)"),
                $newest("e.kind = 'intake' AND e.claim IS NOT NULL AND e.seq = 1"),
            ]).') all_ JOIN job j ON j.id = all_.job_id ORDER BY recorded_at DESC, seq DESC LIMIT '.self::MOST,
            ['kinds' => $kinds],
            ['kinds' => ArrayParameterType::STRING],
        );
        $names = $this->users->names();

        return $this->render('shop/audit.html.twig', get_object_vars(new AuditPage(
            lines: array_map(fn (array $row): array => $this->line($row, $names), $rows),
        )));
    }

    /**
     * @param array<string, mixed> $row
     * @param array<string, string> $names
     *
     * @return array{at: \DateTimeImmutable, who: string, what: string, why: string, unit: string, job: string}
     */
    private function line(array $row, array $names): array
    {
        $text = static fn (string $key): string => \is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $brought = '' !== $text('claimed') && '1' === $text('seq');
        $what = $brought ? $this->say->ui('audit.brought') : $this->say->ui('kind.'.$text('kind'));

        return [
            'at' => new \DateTimeImmutable($text('recorded_at')),
            'who' => $names[$text('author_id')] ?? '',
            'what' => '' === $text('back') ? $what : $what.': '.$this->say->ui('kind.'.$text('back')),
            'why' => $text('reason'),
            'unit' => $text('unit'),
            'job' => $text('job_id'),
        ];
    }
}
