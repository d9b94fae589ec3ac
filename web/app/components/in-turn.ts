/** What a canvas is told to draw is drawn when the frame ends, so that time alone does not tell how much is enough. */
const mostInAFrame = 3;
const budgetMs = 6;

const waiting = new Set<() => void>();
let asked = false;

/** Work that can wait: a little of it in each frame, so that none is late because of it. Gives back how to call it off. */
export function inTurn(work: () => void): () => void {
  waiting.add(work);
  ask();
  return () => void waiting.delete(work);
}

function ask(): void {
  if (asked) return;
  asked = true;
  requestAnimationFrame(turn);
}

function turn(): void {
  asked = false;
  const until = performance.now() + budgetMs;
  let done = 0;
  for (const work of waiting) {
    if (done === mostInAFrame || (done > 0 && performance.now() >= until)) break;
    waiting.delete(work);
    work();
    done += 1;
  }
  if (waiting.size > 0) ask();
}
