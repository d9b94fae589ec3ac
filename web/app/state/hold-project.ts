/** Holding a project while this tab works on it (Web Locks), so that two tabs never overwrite each other. */
export interface Hold {
  readonly mine: boolean;
  letGo(): void;
}

const lockName = (projectId: string) => `tessip-work-${projectId}`;
const takers = new Map<string, () => void>();

/**
 * Asks for the project. `hear` is told when it becomes this tab's, and when another tab takes it over. Where the browser
 * has no locks the project is this tab's at once.
 */
export function holdProject(projectId: string, hear: (mine: boolean) => void): Hold {
  let mine = !("locks" in navigator);
  let gone = false;
  let release: (() => void) | undefined;
  const request = (steal: boolean) =>
    navigator.locks
      .request(lockName(projectId), steal ? { steal } : {}, async () => {
        if (gone) return;
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
        request(false);
      });
  if ("locks" in navigator) {
    void navigator.locks.query().then(({ held }) => {
      if (!gone && held?.some((l) => l.name === lockName(projectId))) hear(false);
    });
    request(false);
    takers.set(projectId, () => request(true));
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
