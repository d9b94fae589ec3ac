/** A reading room: a proof under an address, for those who are asked by link. */
export const room = {
  open: "Ask by link …",
  opened: "Reading room …",
  title: "A reading room",
  lead: "The pages lie on Tessip’s server under an address that nobody can guess. Whoever has the link reads them in a browser, and what they say comes here while you work.",
  off: "Tessip’s server does not answer, so no room can be opened now. A proof as a file does the same job.",
  ends: "How long it is open",
  endsIn: { "14": "Two weeks", "30": "A month", "90": "Three months" },
  passphrase: "A passphrase, if you want one",
  passphraseHelp: "Readers are asked for it. Tell it to them yourself, not in the same mail as the link.",
  readers: "Who is asked: a mail address on each line",
  yourMail: "Your own mail address",
  yourMailHelp: "You are told of new notes and approvals.",
  mails: "What the mails say",
  mailsHelp:
    "{work}, {link}, {name} and {count} are filled in. The mails are written as files into the server’s outbox.",
  subject: "Subject",
  text: "Text",
  kinds: {
    invitation: "The invitation",
    newNotes: "New notes, to you",
    newState: "New pages",
    approval: "An approval, to you",
  },
  firstMails: {
    invitation: {
      subject: "Would you read “{work}”?",
      text: "Hello,\n\n“{work}” is nearly ready to be printed. Please look through it and pin a note wherever something is wrong:\n\n{link}\n\nThank you!\n{name}",
    },
    newNotes: { subject: "{count} new in “{work}”", text: "Somebody said something about “{work}”:\n\n{link}" },
    newState: {
      subject: "“{work}” was changed",
      text: "Hello,\n\nthe pages of “{work}” are new. Please look once more:\n\n{link}\n\nThank you!\n{name}",
    },
    approval: { subject: "“{work}” is approved", text: "Somebody approved all of “{work}”:\n\n{link}" },
  },
  openDo: "Open the room",
  working: "Showing the pages",
  link: "The link for readers",
  copy: "Copy the link",
  copied: "The link is copied.",
  copyByHand: "This browser does not let a page copy. Mark the link and copy it yourself.",
  until: (day: string) => `Open until ${day}.`,
  isOpen: "The room is open, and shows the pages as they are now.",
  show: "Show the pages as they are now",
  shown: (n: number) =>
    n === 0
      ? "The room shows the pages as they are now; none had changed."
      : n === 1
        ? "The room shows the pages as they are now. 1 picture was new."
        : `The room shows the pages as they are now. ${n} pictures were new.`,
  invite: "Write the invitations",
  invited: (n: number) =>
    n === 1 ? "1 invitation lies in the server’s outbox." : `${n} invitations lie in the server’s outbox.`,
  nobody: "Enter a mail address first.",
  keepMails: "Keep addresses and mails",
  keptMails: "Addresses and mails are kept.",
  withdraw: "End this room",
  withdrawAsk: "The pages and notes are deleted from the server. Notes that came home stay here.",
  withdrawn: "The room has ended, and nothing of it is left on the server.",
  ended: "The reading room has ended. Its notes are here.",
  cameIn: (n: number, names: readonly string[]) =>
    `${n === 1 ? "1 new note or answer" : `${n} new notes and answers`} from ${names.join(", ")}.`,
  trouble: {
    unreachable: "Tessip’s server does not answer. Nothing was changed.",
    roomFull: "The server has no room left. Nothing was changed.",
    tooOften: "That was asked too often. Try again in a minute.",
    noSuchRoom: "The room is not there any more.",
    refused: "The server refused that. Nothing was changed.",
  },
};
