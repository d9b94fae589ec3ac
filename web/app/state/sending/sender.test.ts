import { expect, test } from "@jest/globals";
import { unzipSync } from "fflate";
import { WorkerError } from "../../../workers/protocol.ts";
import type { PacketRecord, PacketStore } from "./packet-store.ts";
import { Sender, type SendTask } from "./sender.ts";

/** The browser's file storage, in memory: what is written there outlives a sender. */
function storage(): PacketStore & { readonly files: Map<string, Blob> } {
  const files = new Map<string, Blob>();
  let record: PacketRecord | undefined;
  return {
    files,
    folder: "packet",
    read: async () => record,
    write: async (r) => {
      record = r;
    },
    file: async (name) => files.get(name),
    clear: async () => {
      files.clear();
      record = undefined;
    },
  };
}

function viewState(store: ReturnType<typeof storage> | undefined) {
  const saved: { readonly name: string; readonly file: Blob }[] = [];
  const made: string[] = [];
  const sender = () =>
    new Sender({
      projectId: "p",
      saveToDisk: (file, name) => void saved.push({ file, name }),
      openStore: async () => store,
    });
  const tasks = (n: number, fail?: (i: number) => Error | undefined): SendTask[] =>
    Array.from({ length: n }, (_, i) => ({
      key: `part-${i + 1}`,
      name: `page-${i + 1}.jpg`,
      make: async () => {
        const wrong = fail?.(i);
        if (wrong) throw wrong;
        made.push(`page-${i + 1}.jpg`);
        const file = new Blob([`picture ${i + 1}`]);
        store?.files.set(`part-${i + 1}`, file);
        return file;
      },
    }));
  return { saved, made, sender, tasks };
}

const order = (tasks: readonly SendTask[], to: "each" | "zip" | "folder" = "each", mark = "m") => ({
  tasks,
  to,
  zipName: "work.zip",
  mark,
});

test("each file is handed over as it is made; a zip holds all of them, as another program reads it", async () => {
  const { saved, sender, tasks } = viewState(storage());
  expect(await sender().send(order(tasks(3)))).toBe(true);
  expect(saved.map((s) => s.name)).toEqual(["page-1.jpg", "page-2.jpg", "page-3.jpg"]);
  expect(await sender().send(order(tasks(3), "zip", "other"))).toBe(true);
  const inside = unzipSync(new Uint8Array(await saved.at(-1)!.file.arrayBuffer()));
  expect(Object.entries(inside).map(([name, b]) => [name, Buffer.from(b).toString()])).toEqual([
    ["page-1.jpg", "picture 1"],
    ["page-2.jpg", "picture 2"],
    ["page-3.jpg", "picture 3"],
  ]);
});

test("a disk that is full at file 60 of 80 keeps the 59; going on, even after a crash, makes only the rest", async () => {
  const store = storage();
  const { made, sender, tasks } = viewState(store);
  const first = sender();
  const full = (i: number) => (i === 59 ? new WorkerError("storageFull", "0 of 9 bytes") : undefined);
  expect(await first.send(order(tasks(80, full), "zip"))).toBe(false);
  expect(first.state.getState()).toMatchObject({ is: "failed", done: 59, failure: { code: "storageFull" } });

  const second = sender();
  await second.look();
  expect(second.state.getState().left).toEqual({ mark: "m", done: 59, of: 80 });
  made.length = 0;
  expect(await second.send(order(tasks(80), "zip"))).toBe(true);
  expect(made).toHaveLength(21);
  expect(made[0]).toBe("page-60.jpg");
});

test("what was made of another state of the work is made again", async () => {
  const store = storage();
  const { made, sender, tasks } = viewState(store);
  const fail = (i: number) => (i === 2 ? new Error("no") : undefined);
  await sender().send(order(tasks(4, fail), "zip", "before"));
  made.length = 0;
  await sender().send(order(tasks(4), "zip", "after"));
  expect(made).toHaveLength(4);
});

test("a folder that may no longer be written to is said, and nothing that was made is lost", async () => {
  const store = storage();
  const { sender, tasks, made } = viewState(store);
  const folder = {
    getFileHandle: async () => {
      throw new DOMException("withdrawn", "NotAllowedError");
    },
  } as unknown as FileSystemDirectoryHandle;
  const one = sender();
  expect(await one.send({ ...order(tasks(3), "folder"), folder })).toBe(false);
  expect(one.state.getState()).toMatchObject({ is: "failed", done: 3, failure: { code: "folderRefused" } });
  made.length = 0;
  expect(await one.send(order(tasks(3), "zip"))).toBe(true);
  expect(made).toEqual([]);
});

test("paused, the file that is being made is finished and no other begun; stopped, nothing stays behind", async () => {
  const store = storage();
  const { sender, tasks, made } = viewState(store);
  const one = sender();
  const all = tasks(5).map((t, i) => ({
    ...t,
    make: async (how: Parameters<SendTask["make"]>[0]) => {
      if (i === 1) one.pause();
      return t.make(how);
    },
  }));
  const going = one.send(order(all, "zip"));
  await new Promise((later) => setTimeout(later, 20));
  expect([one.state.getState().is, made.length]).toEqual(["paused", 2]);
  one.goOn();
  expect(await going).toBe(true);
  expect(made).toHaveLength(5);

  const again = tasks(5).map((t, i) => ({
    ...t,
    make: async (how: Parameters<SendTask["make"]>[0]) => {
      if (i === 3) one.stop();
      return t.make(how);
    },
  }));
  expect(await one.send(order(again, "zip", "new"))).toBe(false);
  expect(one.state.getState().is).toBe("stopped");
  expect(store.files.size).toBe(0);
});

test("without such a storage it all works in memory, and a second try goes on as well", async () => {
  const { sender, tasks, made } = viewState(undefined);
  const one = sender();
  const fail = (i: number) => (i === 1 ? new WorkerError("workerDied", "") : undefined);
  expect(await one.send(order(tasks(3, fail), "zip"))).toBe(false);
  made.length = 0;
  expect(await one.send(order(tasks(3), "zip"))).toBe(true);
  expect(made).toEqual(["page-2.jpg", "page-3.jpg"]);
});

test("one file that cannot be made leaves the others; they can be had without it, and it is told by name", async () => {
  const { saved, made, sender, tasks } = viewState(storage());
  const broken = tasks(3, (i) => (i === 1 ? new WorkerError("fileWrong", "means") : undefined));
  const one = sender();
  expect(await one.send(order(broken, "zip"))).toBe(false);
  expect(one.state.getState()).toMatchObject({
    is: "failed",
    done: 2,
    refused: [{ name: "page-2.jpg", code: "fileWrong" }],
  });
  expect([made, saved]).toEqual([["page-1.jpg", "page-3.jpg"], []]);
  expect(await one.send({ ...order(broken, "zip"), withoutRefused: true })).toBe(true);
  expect(Object.keys(unzipSync(new Uint8Array(await saved[0]!.file.arrayBuffer())))).toEqual([
    "page-1.jpg",
    "page-3.jpg",
  ]);
  expect(made).toHaveLength(2);
});

test("files of one name are refused before any is made", async () => {
  const { made, sender, tasks } = viewState(storage());
  const alike = tasks(3).map((t, i) => ({ ...t, name: i === 0 ? "A.jpg" : "a.jpg" }));
  const one = sender();
  expect(await one.send(order(alike, "zip"))).toBe(false);
  expect(one.state.getState().failure?.code).toBe("namesMeet");
  expect(made).toEqual([]);
});

test("files that came out larger than the lab takes are named; they are handed over all the same", async () => {
  const { saved, sender, tasks } = viewState(storage());
  const made = sender();
  expect(await made.send({ ...order(tasks(11)), mostBytes: "picture 9".length })).toBe(true);
  expect(saved).toHaveLength(11);
  expect(made.state.getState().tooLarge).toEqual([
    { name: "page-10.jpg", bytes: 10 },
    { name: "page-11.jpg", bytes: 10 },
  ]);
});
