<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Kept;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\Schema;

/** What is kept is made ready as Eloquent would make it ready. */
final class ModelsTest extends TestCase
{
    public function test_a_kept_model_is_made_ready_by_what_eloquent_finds_too(): void
    {
        $kept = new class extends Kept
        {
            use SoftDeletes;

            protected $table = 'songs';
        };
        $plain = new class extends Model
        {
            use SoftDeletes;

            protected $table = 'songs';
        };

        self::assertSame($this->initializers($plain), $this->initializers($kept));
        self::assertContains('initializeSoftDeletes', $this->initializers($kept));
        self::assertSame(array_keys($plain->getGlobalScopes()), array_keys($kept->getGlobalScopes()));
        self::assertSame($plain->getCasts(), $kept->getCasts());
        self::assertSame($plain->newQuery()->toSql(), $kept->newQuery()->toSql());
    }

    /** SQLite reads through all that stands before a column: who adds one puts these behind it again, as their migration did. */
    public function test_long_columns_stand_last(): void
    {
        self::assertSame(['notes', 'points'], array_slice(Schema::getColumnListing('parts'), -2));
        self::assertSame(['chosen', 'change'], array_slice(Schema::getColumnListing('steps'), -2));
    }

    /** @return list<string> */
    private function initializers(Model $model): array
    {
        /** @var array<class-string, array<string>> $all */
        $all = (new \ReflectionProperty(Model::class, 'traitInitializers'))->getValue();
        $mine = array_values($all[$model::class]);
        sort($mine);

        return $mine;
    }
}
