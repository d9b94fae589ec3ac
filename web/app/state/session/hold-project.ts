/** Holding a project while this tab works on it (Web Locks), so that two tabs never overwrite each other. */
export interface Hold {
  readonly mine: boolean;
  letGo(): void;
}

const lockName = (projectId: string) => `tessip-work-${projectId}`;
/** A page that is being loaded again holds on for so long to what it had. */
const lettingGoMs = 250;
const takers = new Map<string, () => void>();

/** Take it if nobody has it; wait for whoever has it; take it away. */
const ways = { ask: { ifAvailable: true }, wait: {}, steal: { steal: true } } as const;

/**
 * Asks for the project. `hear` is told at first whose it is, then when it becomes this tab's, and when another tab takes it
 * over. Where the browser has no locks the project is this tab's at once, and nothing is heard.
 */
export function holdProject(projectId: string, hear: (mine: boolean) => void): Hold {
  let mine = !("locks" in navigator);
  let gone = false;
  let release: (() => void) | undefined;
  const request = (way: keyof typeof ways): Promise<void> =>
    navigator.locks
      .request(lockName(projectId), ways[way], async (lock) => {
        if (gone) return;
        if (!lock) {
          void request("wait");
          setTimeout(() => !mine && !gone && hear(false), lettingGoMs);
          return;
        }
        mine = true;
        hear(true);
        await new Promise<void>((done) => {
          release = done;
        });
      })
      .catch(() => {
        // The lock was taken over by another tab.
        mine = false;
        if (gone) return;
        hear(false);
        void request("wait");
      });
  if ("locks" in navigator) {
    void request("ask");
    takers.set(projectId, () => void request("steal"));
  }
  return {
    get mine() {
      return mine;
    },
    letGo() {
      gone = true;
      mine = false;
      takers.delete(projectId);
      release?.();
    },
  };
}

/** Takes the project away from the tab that has it. */
holdProject.takeOver = (projectId: string): void => takers.get(projectId)?.();
