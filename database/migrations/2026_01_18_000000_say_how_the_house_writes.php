<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('house_finishes', static function (Blueprint $table): void {
            $table->string('locale')->default('en');
        });
    }

    public function down(): void
    {
        Schema::table('house_finishes', static function (Blueprint $table): void {
            $table->dropColumn('locale');
        });
    }
};
