<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Actions\KeepBuild;
use App\Models\Build;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Build> */
final class BuildFactory extends Factory
{
    protected $model = Build::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return KeepBuild::columns(CoreBuild::read(['format' => 'brookstone-build', 'version' => 1, 'name' => $this->faker->words(2, true)]));
    }

    public function of(CoreBuild $build): self
    {
        return $this->state(KeepBuild::columns($build));
    }

    public function configure(): self
    {
        return $this->afterCreating(fn (Build $build) => $build->revisions()->create(['number' => 1, 'edit_key' => 'made', 'document' => $build->document]));
    }
}
