<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;

final class ExcelBook implements DatasetFormat
{
    public static function label(): string
    {
        return 'Excel, one sheet per measure';
    }

    public static function ending(): string
    {
        return 'xlsx';
    }

    public static function type(): string
    {
        return 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    }

    public static function write(Dataset $dataset): string
    {
        return Book::write($dataset, 'Xlsx');
    }
}
