<?php

declare(strict_types=1);

namespace App;

use App\Account\Languages;
use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Config\Resource\GlobResource;
use Symfony\Component\DependencyInjection\ContainerBuilder;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** A folder of texts more is a language more. */
    protected function build(ContainerBuilder $container): void
    {
        $folder = $this->getProjectDir().'/translations';
        $container->setParameter('rodrel.languages', Languages::in($folder));
        $container->addResource(new GlobResource($folder, '/*', false));
    }
}
