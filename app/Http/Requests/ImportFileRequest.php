<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class ImportFileRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'name' => ['sometimes', 'required', 'string', 'max:120'],
            'source' => ['nullable', 'string', 'max:300'],
            'home' => ['nullable', 'string', 'max:200'],
            'leave_out' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => __('Enter a name for the data set.'),
            'name.max' => __('The name is longer than 120 characters.'),
            'source.max' => __('The source is longer than 300 characters.'),
        ];
    }
}
