<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        $this->renumber();
        $this->endDoubles();
        Schema::table('imported_files', static fn(Blueprint $table) => $table->unique(['dataset_id', 'version']));
        // One row of a series is in force at most.
        DB::statement('create unique index series_in_force on series (measure_id, entity_id) where until is null');
        Schema::table('study_revisions', static fn(Blueprint $table) => $table->renameColumn('said', 'summary'));
        Schema::table('uploads', static fn(Blueprint $table) => $table->renameColumn('said', 'message'));
    }

    public function down(): void
    {
        Schema::table('uploads', static fn(Blueprint $table) => $table->renameColumn('message', 'said'));
        Schema::table('study_revisions', static fn(Blueprint $table) => $table->renameColumn('summary', 'said'));
        DB::statement('drop index series_in_force');
        Schema::table('imported_files', static fn(Blueprint $table) => $table->dropUnique(['dataset_id', 'version']));
    }

    /** Of two files that were given one version number, the later one becomes a version of its own. */
    private function renumber(): void
    {
        $seen = [];
        foreach (DB::table('imported_files')->orderBy('id')->get(['id', 'dataset_id', 'version']) as $file) {
            if (!isset($seen[$file->dataset_id][$file->version])) {
                $seen[$file->dataset_id][$file->version] = true;
                continue;
            }
            $next = max(array_keys($seen[$file->dataset_id])) + 1;
            $seen[$file->dataset_id][$next] = true;
            DB::table('series')->where('imported_file_id', $file->id)->update(['since' => $next]);
            DB::table('imported_files')->where('id', $file->id)->update(['version' => $next]);
            DB::table('datasets')
                ->where('id', $file->dataset_id)
                ->where('version', '<', $next)
                ->update(['version' => $next]);
        }
    }

    /** Of several rows of one series in force, each ends where the next one begins. */
    private function endDoubles(): void
    {
        $open = DB::table('series')->whereNull('until')->orderBy('since')->orderBy('id');
        $before = [];
        foreach ($open->get(['id', 'measure_id', 'entity_id', 'since']) as $row) {
            $key = "{$row->measure_id}/{$row->entity_id}";
            if (isset($before[$key])) {
                DB::table('series')->where('id', $before[$key])->update(['until' => $row->since]);
            }
            $before[$key] = $row->id;
        }
    }
};
