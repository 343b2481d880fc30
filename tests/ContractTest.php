<?php

declare(strict_types=1);

namespace Tests;

use App\Contract\Contract;
use App\Contract\Endpoint;
use App\Contract\Endpoints;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Router;

/** The contract names every route, and the document that the interface is made from says what it says. */
final class ContractTest extends TestCase
{
    public function test_each_route_has_an_endpoint_and_each_endpoint_a_route(): void
    {
        $routes = [];
        /** @var Route $route */
        foreach (Router::getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $routes[] = $route->methods()[0].' '.substr($route->uri(), 4);
            }
        }
        $endpoints = array_map(static fn (Endpoint $e): string => $e->route, Endpoints::all());
        sort($routes);
        sort($endpoints);
        self::assertSame($routes, $endpoints);
    }

    public function test_the_document_is_as_it_would_be_written_now(): void
    {
        self::assertStringEqualsFile(base_path('docs/openapi.json'), Contract::text(), 'Run: npm run contract');
    }

    public function test_every_shape_that_is_named_is_there(): void
    {
        preg_match_all('~#/components/schemas/(\w+)~', Contract::text(), $named);
        self::assertSame([], array_diff(array_unique($named[1]), array_keys(Contract::shapes())));
    }
}
