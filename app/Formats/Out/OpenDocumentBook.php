<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;

final class OpenDocumentBook implements DatasetFormat
{
    public static function label(): string
    {
        return 'OpenDocument, one sheet per measure';
    }

    public static function ending(): string
    {
        return 'ods';
    }

    public static function type(): string
    {
        return 'application/vnd.oasis.opendocument.spreadsheet';
    }

    public static function write(Dataset $dataset): string
    {
        return Book::write($dataset, 'Ods');
    }
}
