<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Keeps the application to the machine it runs on: it answers to local names only, takes changes only from its own
 * pages, and forbids those pages to load anything from elsewhere.
 */
final class LocalOnly
{
    private const HOSTS = ['127.0.0.1', 'localhost', '[::1]'];

    public function handle(Request $request, Closure $next): Response
    {
        $host = strtolower((string) preg_replace('/:\d+$/', '', (string) $request->headers->get('Host')));
        if (! in_array($host, self::HOSTS, true)) {
            return $this->guarded(Problems::response(421, 'Wrong address', 'This server answers on this machine only, as 127.0.0.1 or localhost.'));
        }
        // The method that came, whatever the request says that it should be taken for.
        if (! in_array($request->getRealMethod(), ['GET', 'HEAD', 'OPTIONS'], true) && ! $this->isOwn($request)) {
            return $this->guarded(Problems::response(403, 'From another page', 'Changes are taken from Jactonic’s own pages only; nothing was changed.'));
        }
        $response = $next($request);

        return $response instanceof Response ? $this->guarded($response) : throw new \LogicException('A route answered with no response.');
    }

    /** Browsers say where a request comes from; programs on this machine say nothing, and may. */
    private function isOwn(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site');
        $origin = $request->headers->get('Origin');

        return ($site === null || $site === 'same-origin')
            && ($origin === null || $origin === 'http://'.$request->headers->get('Host') || $origin === 'https://'.$request->headers->get('Host'));
    }

    private function guarded(Response $response): Response
    {
        foreach (self::headers() as $name => $value) {
            $response->headers->set($name, $value);
        }
        header_remove('X-Powered-By');

        return $response;
    }

    /** @return array<string, string> */
    private static function headers(): array
    {
        static $known = null;
        /** @var array<string, string> $headers */
        $headers = $known ??= require base_path('bootstrap/headers.php');

        return $headers;
    }
}
