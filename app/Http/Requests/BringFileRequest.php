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
            'file' => ['required_without:pasted', 'file', "max:{$kilobytes}"],
            'pasted' => ['nullable', 'string', 'max:' . 1024 * $kilobytes],
            'dataset' => ['sometimes', 'integer', 'exists:datasets,id'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $megabytes = intdiv(config()->integer('duskrail.largest_upload'), 1024 * 1024);

        return [
            'file.required_without' => __('No file was uploaded. Choose one, or drop it on the page: :places.', [
                'places' => TableSources::inWords(),
            ]),
            'file.uploaded' => __(
                'The upload is incomplete. The limit is :megabytes MB. Try again, or remove columns you do not need.',
                ['megabytes' => $megabytes],
            ),
            'file.max' => __(
                'The file is larger than :megabytes MB. Remove columns you do not need, or split it by measure.',
                ['megabytes' => $megabytes],
            ),
            'pasted.max' => __('The text is longer than :megabytes MB. Save it as a file, and split it by measure.', [
                'megabytes' => $megabytes,
            ]),
            'dataset.exists' => __('That data set no longer exists. Import the file as a new data set.'),
        ];
    }
}
