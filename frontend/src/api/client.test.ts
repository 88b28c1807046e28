import { beforeAll, expect, test, vi } from "vitest";

type Client = typeof import("./client");
let client: Client;

beforeAll(async () => {
  vi.stubGlobal("location", { origin: "http://127.0.0.1" });
  client = await import("./client");
});

const response = (status: number) => new Response(null, { status });

test("an answer's data are handed on", async () => {
  const data = { steps: [] };
  await expect(client.answered(Promise.resolve({ data, response: response(200) }))).resolves.toBe(
    data,
  );
});

test("a refusal keeps the server's own words and its field", async () => {
  const error = { detail: "unknown field; remove it", field: "piezes", status: 422 };
  const asked = client.answered(Promise.resolve({ error, response: response(422) }));
  await expect(asked).rejects.toMatchObject({
    message: "unknown field; remove it",
    problem: { field: "piezes", status: 422 },
    unreachable: false,
  });
});

test("an answer without words names its status", async () => {
  const asked = client.answered(Promise.resolve({ response: response(502) }));
  await expect(asked).rejects.toMatchObject({ problem: { status: 502 } });
  await expect(asked).rejects.toThrow("502");
});

test("a lost connection is told as such", async () => {
  const asked = client.answered(Promise.reject(new TypeError("fetch failed")));
  await expect(asked).rejects.toMatchObject({ unreachable: true });
  await expect(asked).rejects.toThrow("Your work is kept on this page");
});

test("a question that was taken back is no refusal", async () => {
  const fault = new DOMException("taken back", "AbortError");
  await expect(client.answered(Promise.reject(fault))).rejects.toBe(fault);
});
