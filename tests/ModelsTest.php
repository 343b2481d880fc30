<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Model;
use App\Models\Song;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Model as EloquentModel;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\Schema;

/** What is kept is made ready as Eloquent would make it ready. */
final class ModelsTest extends TestCase
{
    public function test_a_kept_model_is_made_ready_by_what_eloquent_finds_too(): void
    {
        $kept = new class extends Model
        {
            use SoftDeletes;

            protected $table = 'songs';
        };
        $plain = new class extends EloquentModel
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

    public function test_no_column_is_read_or_set_through_a_method(): void
    {
        $own = static fn (string $class): array => array_filter((new \ReflectionClass($class))->getMethods(), static fn (\ReflectionMethod $m): bool => ! is_a(Model::class, $m->class, true) && str_starts_with($m->class, 'App\\'));
        $seen = 0;
        foreach ((array) glob(app_path('Models/*.php')) as $file) {
            $class = 'App\\Models\\'.basename((string) $file, '.php');
            foreach ($own($class) as $method) {
                $seen++;
                self::assertDoesNotMatchRegularExpression('/^[gs]et.+Attribute$/', $method->name, $class);
                self::assertNotSame(Attribute::class, (string) $method->getReturnType(), "$class::$method->name");
            }
        }
        self::assertGreaterThan(5, $seen);
    }

    public function test_what_changed_is_what_was_set_otherwise_as_it_is_kept(): void
    {
        $song = (new Song)->newFromBuilder(['id' => 3, 'name' => 'Ferry', 'revision' => 7, 'tempos' => '[[0,500000,0,0]]', 'head_id' => null]);
        self::assertSame([], $song->changed());

        $song->revision++;
        $song->name = 'Ferry';
        $song->head_id = 12;
        $song->tempos = [[0, 400000, 0, 0]];
        self::assertSame(['revision' => 8, 'tempos' => '[[0,400000,0,0]]', 'head_id' => 12], $song->changed());
        self::assertSame($song->getDirty(), $song->changed());
        self::assertSame([[0, 400000, 0, 0]], $song->tempos);

        $song->mergeCasts(['name' => 'array']);
        self::assertSame('array', $song->getCasts()['name'], 'a cast that comes later counts');
    }

    /** SQLite reads through all that stands before a column: who adds one puts these behind it again, as their migration did. */
    public function test_long_columns_stand_last(): void
    {
        self::assertSame(['notes', 'points'], array_slice(Schema::getColumnListing('parts'), -2));
        self::assertSame(['chosen', 'change'], array_slice(Schema::getColumnListing('steps'), -2));
    }

    /** @return list<string> */
    private function initializers(EloquentModel $model): array
    {
        /** @var array<class-string, array<string>> $all */
        $all = (new \ReflectionProperty(EloquentModel::class, 'traitInitializers'))->getValue();
        $mine = array_values($all[$model::class]);
        sort($mine);

        return $mine;
    }
}
