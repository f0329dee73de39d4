<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\Entity;
use DuskRail\Data\Benchmark;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** Names, groups and notes of entities of a data set, and which of them is home; what is left out stays. */
final class UpdateEntitiesRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'entities.*.name' => ['required', 'string', 'max:200'],
            'entities.*.group' => ['nullable', 'string', 'max:120'],
            'entities.*.benchmark' => ['nullable', Rule::enum(Benchmark::class)],
            'entities.*.note' => ['nullable', 'string', 'max:200'],
            'home' => ['nullable', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['entities.*.name.required' => __('Enter a name for each entity.')];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $names = [];
                foreach ($this->dataset()->entities as $entity) {
                    $name = mb_strtolower($this->name($entity));
                    if (isset($names[$name])) {
                        $message = 'Two entities have the name “:name”. Use different names.';
                        $validator->errors()->add('entities', __($message, ['name' => $entity->name]));
                    }
                    $names[$name] = true;
                }
            },
        ];
    }

    public function names(Entity $entity): bool
    {
        return $this->has("entities.{$entity->id}");
    }

    public function name(Entity $entity): string
    {
        return $this->string("entities.{$entity->id}.name", $entity->name)->trim()->value();
    }

    public function isHome(Entity $entity): bool
    {
        return $this->has('home') ? $this->integer('home') === $entity->id : $entity->home;
    }

    /** @return array<string, mixed> what is said of an entity besides its name */
    public function description(Entity $entity): array
    {
        $at = "entities.{$entity->id}";
        $about = [...$entity->about, 'group' => $this->string("{$at}.group")->trim()->value()];
        if ($this->has("{$at}.benchmark")) {
            $about[Benchmark::ATTRIBUTE] = $this->string("{$at}.benchmark")->value();
        }

        return [
            'note' => $this->string("{$at}.note")->trim()->value(),
            'about' => array_filter($about, static fn(string $text): bool => $text !== ''),
        ];
    }

    private function dataset(): Dataset
    {
        $dataset = $this->route('dataset');

        return $dataset instanceof Dataset ? $dataset : abort(404);
    }
}
