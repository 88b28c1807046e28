import { onBeforeUnmount, readonly, ref, shallowRef, watch, type Ref } from "vue";
import type { PDFDocumentProxy, PDFPageProxy } from "pdfjs-dist";

/** A PDF's pages, drawn one at a time on a canvas: what is shown is the file itself. */
export function usePdf(file: Readonly<Ref<Blob | null>>) {
  const pages = ref(0);
  const page = ref(1);
  const document = shallowRef<PDFDocumentProxy | null>(null);
  let asked = 0;

  watch(file, async (now) => {
    const turn = ++asked;
    if (!now) return;
    const { getDocument, GlobalWorkerOptions } = await import("pdfjs-dist");
    const worker = await import("pdfjs-dist/build/pdf.worker.min.mjs?url");
    GlobalWorkerOptions.workerSrc = worker.default;
    const data = new Uint8Array(await now.arrayBuffer());
    const opened = await getDocument({ data, isEvalSupported: false }).promise;
    if (turn !== asked) return void opened.loadingTask.destroy();
    void document.value?.loadingTask.destroy();
    document.value = opened;
    pages.value = opened.numPages;
    page.value = Math.min(page.value, opened.numPages);
  });

  /** Draw the page into a canvas so that it fits a box of CSS pixels. */
  async function draw(canvas: HTMLCanvasElement, box: { width: number; height: number }) {
    const opened = document.value;
    if (!opened) return;
    try {
      const sheet = await opened.getPage(page.value);
      if (opened === document.value) await paint(sheet, canvas, box);
    } catch (problem) {
      // A file that was put away meanwhile is not drawn.
      if (opened === document.value) throw problem;
    }
  }

  function turn(to: number) {
    page.value = Math.min(Math.max(1, to), pages.value || 1);
  }

  onBeforeUnmount(() => {
    asked += 1;
    const last = document.value;
    document.value = null;
    void last?.loadingTask.destroy();
  });
  return { page: readonly(page), pages: readonly(pages), document, draw, turn };
}

async function paint(
  sheet: PDFPageProxy,
  canvas: HTMLCanvasElement,
  box: { width: number; height: number },
) {
  const plain = sheet.getViewport({ scale: 1 });
  const fit = Math.min(box.width / plain.width, box.height / plain.height);
  const dense = window.devicePixelRatio || 1;
  const viewport = sheet.getViewport({ scale: fit * dense });
  canvas.width = Math.round(viewport.width);
  canvas.height = Math.round(viewport.height);
  canvas.style.width = `${canvas.width / dense}px`;
  canvas.style.height = `${canvas.height / dense}px`;
  await sheet.render({ canvas, viewport }).promise;
}
