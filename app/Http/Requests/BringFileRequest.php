<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Formats\TableSources;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

final class BringFileRequest extends FormRequest
{
    /** Files that can be brought together: as many as PHP takes by default. */
    private const MOST_FILES = 20;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $kilobytes = intdiv(config()->integer('duskrail.largest_upload'), 1024);

        return [
            'file' => ['required_without_all:pasted,files', 'file', "max:{$kilobytes}"],
            'files' => ['array', 'max:' . self::MOST_FILES],
            'files.*' => ['file', "max:{$kilobytes}"],
            'pasted' => ['nullable', 'string', 'max:' . 1024 * $kilobytes],
            'dataset' => ['sometimes', 'integer', 'exists:datasets,id'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $megabytes = intdiv(config()->integer('duskrail.largest_upload'), 1024 * 1024);

        $isIncomplete = __(
            'The upload is incomplete. The limit is :megabytes MB. Try again, or remove columns you do not need.',
            ['megabytes' => $megabytes],
        );
        $isTooLarge = __(
            'The file is larger than :megabytes MB. Remove columns you do not need, or split it by measure.',
            ['megabytes' => $megabytes],
        );

        return [
            'file.required_without_all' => __('No file was uploaded. Choose one, or drop it on the page: :places.', [
                'places' => TableSources::inWords(),
            ]),
            'file.uploaded' => $isIncomplete,
            'files.*.uploaded' => $isIncomplete,
            'file.max' => $isTooLarge,
            'files.*.max' => $isTooLarge,
            'files.max' => __('More than :most files were uploaded. Put them into one ZIP archive, and upload that.', [
                'most' => self::MOST_FILES,
            ]),
            'pasted.max' => __('The text is longer than :megabytes MB. Save it as a file, and split it by measure.', [
                'megabytes' => $megabytes,
            ]),
            'dataset.exists' => __('That data set no longer exists. Import the file as a new data set.'),
        ];
    }

    /** @return list<UploadedFile> one, several that are brought together, or none where a table was pasted */
    public function brought(): array
    {
        $files = [$this->file('file'), ...array_values((array) $this->file('files'))];

        return array_values(array_filter($files, static fn(mixed $file): bool => $file instanceof UploadedFile));
    }
}
