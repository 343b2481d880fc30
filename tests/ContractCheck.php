<?php

declare(strict_types=1);

namespace Tests;

use App\Contract\Contract;
use App\Contract\Endpoint;
use App\Contract\Endpoints;
use Illuminate\Http\Request;
use Jactonic\Core\Reading\Readings;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** Holds what is sent and answered in a test against the contract. */
final class ContractCheck
{
    private const AT = 'https://jactonic.test/contract.json';

    private static ?Validator $validator = null;

    /** @var array<string, Endpoint> by pattern */
    private static array $endpoints = [];

    public static function check(Request $request, Response $response): void
    {
        $endpoint = self::find($request);
        if ($endpoint === null || $response->getStatusCode() === 304 || $response->headers->has('Content-Encoding')) {
            return;
        }
        $what = $request->method().' '.$request->path().' → '.$response->getStatusCode();
        if ($response->getStatusCode() >= 400) {
            self::meets(json_decode((string) $response->getContent()), 'components/schemas/Problem', $what);

            return;
        }
        Assert::assertSame($endpoint->status, $response->getStatusCode(), $what);
        $at = 'paths/'.self::escaped('/api/'.$endpoint->path()).'/'.strtolower($endpoint->method());
        if ($endpoint->answer !== null) {
            $answer = json_decode((string) $response->getContent());
            self::meets($answer, "$at/responses/$endpoint->status/content/".self::escaped('application/json').'/schema', $what);
            $reading = $request->json('reading');
            if (str_ends_with($endpoint->path(), '/reading') && is_string($reading) && isset(Readings::classes()[$reading])) {
                self::meets($answer, "components/schemas/ReadingAnswers/properties/$reading", "$what, $reading");
            }
        }
        if ($endpoint->body !== null && $request->isJson() && $request->getContent() !== '' && $request->getContent() !== '[]') {
            self::meets(json_decode($request->getContent()), "$at/requestBody/content/".self::escaped('application/json').'/schema', "what was sent to $what");
        }
    }

    private static function find(Request $request): ?Endpoint
    {
        if (self::$endpoints === []) {
            foreach (Endpoints::all() as $endpoint) {
                self::$endpoints[$endpoint->pattern()] = $endpoint;
            }
        }
        foreach (self::$endpoints as $pattern => $endpoint) {
            if (preg_match($pattern, $request->method().' '.$request->path()) === 1) {
                return $endpoint;
            }
        }

        return null;
    }

    private static function meets(mixed $data, string $pointer, string $what): void
    {
        if (self::$validator === null) {
            self::$validator = new Validator;
            self::$validator->resolver()?->registerRaw(json_decode(Contract::text()), self::AT);
        }
        $result = self::$validator->validate($data, self::AT.'#/'.$pointer);
        $error = $result->error();
        Assert::assertTrue($error === null, $error === null ? '' : "$what does not meet the contract: ".json_encode((new ErrorFormatter)->format($error, false), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));
    }

    private static function escaped(string $name): string
    {
        return rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $name));
    }
}
