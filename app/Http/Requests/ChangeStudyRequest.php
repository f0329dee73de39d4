<?php

declare(strict_types=1);

namespace App\Http\Requests;

use DomainException;
use DuskRail\Study\Changes\Change;
use DuskRail\Study\Changes\Changes;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

final class ChangeStudyRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['change' => ['required', 'string', 'max:40'], 'preview' => ['sometimes', 'boolean']];
    }

    /** @throws ValidationException */
    public function change(): Change
    {
        /** @var array<string, mixed> $input */
        $input = $this->except(['_token', 'preview']);
        try {
            return Changes::read($this->string('change')->value(), $input);
        } catch (DomainException $problem) {
            throw ValidationException::withMessages(['change' => $problem->getMessage()]);
        }
    }
}
