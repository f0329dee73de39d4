<?php

declare(strict_types=1);

namespace App\Http\Requests;

use DuskRail\Document\Changes\Change;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use Illuminate\Foundation\Http\FormRequest;

final class ChangeStudyRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['change' => ['required', 'string', 'max:40'], 'preview' => ['sometimes', 'boolean']];
    }

    /** @throws InvalidStudy when it says something that no change can be */
    public function change(): Change
    {
        /** @var array<string, mixed> $input */
        $input = $this->except(['_token', 'preview']);

        return Changes::read($this->string('change')->value(), $input);
    }
}
