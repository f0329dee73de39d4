<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Formats\TableSources;
use Illuminate\Foundation\Http\FormRequest;

final class BringFileRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $kilobytes = intdiv(config()->integer('duskrail.largest_upload'), 1024);

        return [
            'file' => ['required', 'file', "max:{$kilobytes}"],
            'dataset' => ['sometimes', 'integer', 'exists:datasets,id'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $megabytes = intdiv(config()->integer('duskrail.largest_upload'), 1024 * 1024);

        return [
            'file.required' =>
                'No file came with that. Choose one, or drop it on the page: ' . TableSources::inWords() . '.',
            'file.uploaded' =>
                "The file did not arrive whole. Files of up to {$megabytes} MB can be brought; try again, or " .
                'leave out columns that are not needed.',
            'file.max' =>
                "The file is larger than {$megabytes} MB. Leave out columns that are not needed, or split it " .
                'by measure.',
            'dataset.exists' => 'That data set is gone. Bring the file as a new one.',
        ];
    }
}
