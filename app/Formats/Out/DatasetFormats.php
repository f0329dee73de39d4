<?php

declare(strict_types=1);

namespace App\Formats\Out;

/** Every format that a data set can be handed on in. A new one is registered here. */
final class DatasetFormats
{
    /** @var array<string, class-string<DatasetFormat>> */
    public const ALL = [
        'csv' => LongCsv::class,
        'xlsx' => ExcelBook::class,
        'ods' => OpenDocumentBook::class,
        'json-stat' => JsonStat::class,
        'package' => DataPackage::class,
    ];
}
