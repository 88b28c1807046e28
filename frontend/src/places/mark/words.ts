import type { Finding } from "@/api/client";

/** What to say first: one thing that is right, then the one correction that will help most. */
export function firstWords(findings: readonly Finding[]): string {
  const praise = findings.find((finding) => finding.level === "praise");
  const fix = findings.find((finding) => finding.level === "fix");
  return [praise, fix].flatMap((finding) => (finding ? [finding.message] : [])).join("\n");
}
