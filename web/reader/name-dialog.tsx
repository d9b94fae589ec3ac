import { useState } from "react";
import { reader as words } from "../text/index.ts";
import { Modal } from "./modal.tsx";

interface NameDialogProps {
  readonly name: string;
  readonly onName: (name: string) => void;
  readonly onClose: () => void;
}

export function NameDialog({ name, onName, onClose }: NameDialogProps) {
  const [text, setText] = useState(name);
  return (
    <Modal title={words.nameAsk} onClose={onClose}>
      <p>{words.nameLead}</p>
      <form
        method="dialog"
        onSubmit={(e) => {
          e.preventDefault();
          if (text.trim() !== "") onName(text.trim());
        }}
      >
        <input aria-label={words.name} value={text} maxLength={80} onChange={(e) => setText(e.target.value)} />
        <div className="row">
          <button type="submit" className="btn main" disabled={text.trim() === ""}>
            {words.nameKeep}
          </button>
          <button type="button" className="btn" onClick={onClose}>
            {words.cancel}
          </button>
        </div>
      </form>
    </Modal>
  );
}
