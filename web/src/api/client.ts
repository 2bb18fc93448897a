import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** A call that has no answer by then never gets one; whoever made it can try again. */
export const longestCall = 20_000;

/** The server, typed by its own description. Every call has a time limit, so that none holds up what comes after it. */
export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request: Request) =>
    globalThis.fetch(
      new Request(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(longestCall)]) }),
    ),
});

/** A call the server refused, or could not be reached for (status 0). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly errors: Record<string, string[]> = {},
    readonly current?: unknown,
    /** Seconds after which the server wants to be asked again; no value where it did not say. */
    readonly retryAfter?: number,
  ) {
    super(title);
  }

  /** What is wrong with one field; no value when it is fine. */
  fieldError(path: string): string | undefined {
    return this.errors[path]?.[0];
  }
}

interface ProblemDocument {
  title?: string;
  requestId?: string;
  errors?: Record<string, string[]>;
  current?: unknown;
}

/** The data of an answer; anything but success is thrown as a {@link Problem}. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result;
  try {
    result = await call;
  } catch (e) {
    if (e instanceof DOMException && e.name === 'AbortError') throw e;
    throw new Problem(0, 'No connection to the server. What you wrote is still here; try again in a moment.');
  }
  if (result.response.ok) return result.data as T;
  const document = (result.error ?? {}) as ProblemDocument;
  throw new Problem(
    result.response.status,
    result.response.status === 500 && document.requestId
      ? `${document.title ?? 'Something went wrong.'} (No. ${document.requestId})`
      : (document.title ?? 'Something went wrong.'),
    document.errors ?? {},
    document.current,
    Number(result.response.headers.get('Retry-After')) || undefined,
  );
}

export const newRow = { 'If-None-Match': '*' };

export const changesVersion = (version: number) => ({ 'If-Match': `"${version}"` });
