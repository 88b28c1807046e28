/** A server for tests that answers when it is told to. */
import { vi } from "vitest";

export interface Question {
  path: string;
  body: unknown;
  query: Record<string, unknown>;
  answer(data: unknown): void;
  refuse(status: number, detail?: string): void;
}

/** The refusal of the typed client, for a module that stands in for it. */
export class Refusal extends Error {
  readonly problem: Record<string, unknown> & { status: number; detail: string };

  constructor(status: number, detail = "refused") {
    super(detail);
    this.problem = { status, detail };
  }

  get unreachable() {
    return this.problem.status === 0;
  }
}

/** Questions in the order in which they came; the newest is last. */
export const questions: Question[] = [];

type Options = { body?: unknown; params?: { query?: object }; signal?: AbortSignal };

function ask(path: string, options: Options = {}) {
  return new Promise((answer, refuse) => {
    options.signal?.addEventListener("abort", () => refuse(new DOMException("", "AbortError")));
    questions.push({
      path,
      body: options.body,
      query: { ...options.params?.query },
      answer,
      refuse: (status, detail) => refuse(new Refusal(status, detail)),
    });
  });
}

/** What stands in for `@/api/client`. */
export const client = {
  api: { GET: vi.fn(ask), POST: vi.fn(ask), PUT: vi.fn(ask), DELETE: vi.fn(ask) },
  answered: <Data>(asked: Promise<Data>) => asked,
  Refusal,
};

export function quiet() {
  questions.length = 0;
}

export const lastOf = (path: string) => questions.filter((one) => one.path === path).at(-1)!;
export const countOf = (path: string) => questions.filter((one) => one.path === path).length;
