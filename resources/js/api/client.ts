import type { CatchUp, Endpoints, LostAnswer, Problem as ProblemData, TextInPath } from '../contract';

/** An error that the server explained, as RFC 9457 has it; its message is a sentence for the person. */
export class Problem extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly catchUp?: CatchUp,
        /** The very request was answered before; only the answer was lost. */
        readonly done = false,
        /** What it was answered then. */
        readonly answer?: LostAnswer,
        /** Names that are there already, where it is asked what is to become of them. */
        readonly taken?: string[],
    ) {
        super(message);
    }
}

/** The server did not answer at all, or only that it cannot now. Whoever sends it again says so; else it is to be done again. */
export class NoAnswer extends Error {
    constructor(readonly why = 'The server does not answer. Is it still running?') {
        super(`${why} Do it again when it answers.`);
    }
}

/** Answers that say that it cannot be done now: busy, no room left. */
const NOT_NOW = [503, 507];

async function read<T>(response: Response): Promise<T> {
    if (response.status === 204) return undefined as T;
    const body: unknown = await response.json().catch(() => null);
    // A server that died while it answered has not answered, whatever the head of its answer said.
    if (response.ok && body === null) throw new NoAnswer();
    if (!response.ok) {
        const problem = (body ?? {}) as Partial<ProblemData>;
        if (NOT_NOW.includes(response.status)) throw new NoAnswer(problem.detail);
        throw new Problem(
            response.status,
            problem.screen ?? problem.detail ?? `The server answered ${response.status}.`,
            problem.catchUp,
            problem.done ?? false,
            problem.answer,
            problem.taken,
        );
    }
    return body as T;
}

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
/** A path as it may be asked for: ids are numbers, what else stands in braces is a text. */
type Filled<P extends string> = P extends `${infer A}{${infer Name}}${infer B}`
    ? `${A}${Name extends TextInPath ? string : number}${Filled<B>}`
    : P;
type WithoutQuery<P extends string> = P extends `${infer A}?${string}` ? A : P;
/** The endpoint of the contract that a method and a path name. */
type EndpointOf<M extends Method, P extends string> = P extends string
    ? { [K in keyof Endpoints]: `${M} ${WithoutQuery<P>}` extends Filled<K> ? K : never }[keyof Endpoints]
    : never;
export type AnswerTo<M extends Method, P extends string> = Endpoints[EndpointOf<M, P>]['answer'];
export type BodyOf<M extends Method, P extends string> = Endpoints[EndpointOf<M, P>]['body'];

/**
 * Asks the server; what is sent, and what is answered, has the types of the contract.
 *
 * @throws Problem, NoAnswer
 */
export async function request<M extends Method, P extends string>(
    method: M,
    path: P,
    body?: BodyOf<M, P>,
    signal?: AbortSignal,
): Promise<AnswerTo<M, P>> {
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
            body: body === undefined ? undefined : JSON.stringify(body),
            signal,
        });
    } catch (e) {
        if (signal?.aborted) throw e;
        throw new NoAnswer();
    }
    return read<AnswerTo<M, P>>(response);
}

/** Sends a file, telling how far it got (0 to 1). */
export function upload<T>(path: string, file: File, progress: (share: number) => void): Promise<T> {
    return new Promise((resolve, reject) => {
        const form = new FormData();
        form.append('file', file);
        const xhr = new XMLHttpRequest();
        xhr.open('POST', `/api/${path}`);
        xhr.upload.onprogress = (e) => e.lengthComputable && progress(e.loaded / e.total);
        xhr.onerror = () => reject(new NoAnswer());
        xhr.onload = () => {
            const init = { status: xhr.status };
            read<T>(new Response(xhr.responseText, init)).then(resolve, reject);
        };
        xhr.send(form);
    });
}
