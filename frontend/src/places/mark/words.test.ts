import { expect, test } from "vitest";
import type { Finding } from "@/api/client";
import { firstWords } from "./words";

const finding = (level: Finding["level"], message: string): Finding => ({
  code: "x",
  level,
  where: [0, 0],
  message,
});

test("praise comes first, then one correction, and nothing else", () => {
  const said = [
    finding("tidy", "t"),
    finding("fix", "f1"),
    finding("praise", "p"),
    finding("fix", "f2"),
  ];
  expect(firstWords(said)).toBe("p\nf1");
  expect(firstWords([])).toBe("");
});
