import { onBeforeUnmount, readonly, ref, shallowRef } from "vue";
import { answered, api, Refusal, type ClassPrint, type PrintJob } from "@/api/client";

const LOOK_MS = 300;

/** A class's own sheets: asked for, watched, and stopped. */
export function useClassPrint(exerciseId: number) {
  const job = shallowRef<PrintJob | null>(null);
  const problem = ref<string | null>(null);
  let timer = 0;

  const under = (state: PrintJob["state"] | undefined) =>
    state === "waiting" || state === "working";

  async function told(work: Promise<PrintJob>) {
    try {
      job.value = await work;
      problem.value = job.value.problem;
    } catch (fault) {
      problem.value = fault instanceof Refusal ? fault.message : "Something went wrong here.";
      if (fault instanceof Refusal && !fault.unreachable) job.value = null;
    }
    window.clearTimeout(timer);
    if (under(job.value?.state)) timer = window.setTimeout(look, LOOK_MS);
  }

  function look() {
    const id = job.value?.id;
    if (id)
      void told(answered(api.GET("/api/prints/{job_id}", { params: { path: { job_id: id } } })));
  }

  function begin(body: ClassPrint) {
    void told(
      answered(
        api.POST("/api/exercises/{exercise_id}/prints", {
          params: { path: { exercise_id: exerciseId } },
          body,
        }),
      ),
    );
  }

  function cancel() {
    const id = job.value?.id;
    if (id)
      void told(answered(api.DELETE("/api/prints/{job_id}", { params: { path: { job_id: id } } })));
  }

  onBeforeUnmount(() => window.clearTimeout(timer));
  return { job, problem: readonly(problem), begin, cancel, under };
}
