<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Entity;
use DuskRail\Document\HouseSettings;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Study;
use DuskRail\Settings\InvalidSetting;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The form of the house style. */
final class UpdateStyleRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'from' => ['required', 'string'],
            'size' => ['required', Rule::in(array_keys(TextPart::SIZES))],
            'settings' => ['array'],
            'hues' => ['array'],
            'hues.*' => ['integer', 'between:0,' . Study::MOST_FOCUS],
            'name' => ['nullable', 'string'],
            'hue' => ['nullable', 'integer', 'between:1,' . Study::MOST_FOCUS],
        ];
    }

    /** @throws ValidationException with the sentence of what does not fit */
    public function settings(HouseSettings $current): HouseSettings
    {
        try {
            return $current->with($this->array('settings'));
        } catch (InvalidSetting $problem) {
            throw ValidationException::withMessages(['settings' => $problem->getMessage()]);
        }
    }

    /**
     * The hues of the list, and that of an entity that is added to it.
     *
     * @return array<string, int> by key of the entity
     *
     * @throws ValidationException when no data set has the entity
     */
    public function hues(): array
    {
        /** @var array<string, string> $given */
        $given = $this->input('hues', []);
        $hues = array_filter(array_map(intval(...), $given));
        $name = $this->string('name')->trim()->value();
        if ($name !== '') {
            $key = Entity::where('name', $name)->value('key');
            $unknown = __('No data set has an entity “:name”. Choose one of the names in the list.', ['name' => $name]);
            $hues[is_string($key) ? $key : throw ValidationException::withMessages(['name' => $unknown])] =
                $this->integer('hue', 1);
        }

        return $hues;
    }
}
