<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Console\WriteGuidePictures;
use App\Guide\Pictures;
use Tests\TestCase;

/** The pictures of the guide. */
final class GuideTest extends TestCase
{
    public function test_pictures_show_what_the_edits_do_today(): void
    {
        self::assertSame(Pictures::text(), file_get_contents(base_path(WriteGuidePictures::PATH)), 'php artisan jactonic:guide-pictures makes them anew');
        foreach (Pictures::all()['jobs'] as $heading => $job) {
            self::assertTrue($job['before'] !== $job['after'] || isset($job['used']), "$heading: something is seen to be done");
        }
    }

    public function test_each_job_and_each_mark_of_the_guide_has_a_picture(): void
    {
        $guide = (string) file_get_contents(base_path('docs/guide.md'));
        preg_match_all('/^## (.+)$/m', $guide, $headings);
        self::assertSame(array_values(array_diff($headings[1], ['Marks'])), array_keys(Pictures::all()['jobs']));
        preg_match_all('/^\| (?!mark)([a-z][^|]+?) \|/m', explode('## Getting', $guide)[0], $marks);
        $pictures = array_column(Pictures::all()['marks'], 'mark');
        self::assertCount(count($pictures), $marks[1]);
        foreach ($marks[1] as $i => $words) {
            self::assertStringStartsWith($pictures[$i], $words);
        }
    }
}
