/** What a room's address shows where there are no pages to show. No script, nothing fetched. */

export const plainStyle =
  "body{margin:0;background:#faf6ee;color:#1f231f;font:17px/1.5 sans-serif}main{max-width:30em;margin:12vh auto;padding:0 24px}" +
  "input,button{font:inherit;padding:8px 12px;border-radius:8px;border:1px solid #c9bda6}button{margin-left:8px;border:0;background:#b2472b;color:#fdfcf8;font-weight:600}";

const page = (title: string, body: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>${title}</title>
<style>${plainStyle}</style>
</head>
<body>
<main>
<h1>${title}</h1>
${body}
</main>
</body>
</html>
`;

export const closedPage = page(
  "This reading room is closed",
  "<p>Its time has ended, it was withdrawn, or the address is not whole. Ask whoever sent you the link.</p>",
);

export const emptyPage = page(
  "Nothing here yet",
  "<p>The pages are still on their way. Load this page again in a minute.</p>",
);

export const passPage = (wrong: boolean): string =>
  page(
    "A passphrase, please",
    `${wrong ? '<p role="alert">That was not it.</p>' : "<p>Whoever sent you the link knows it.</p>"}
<form method="post" action="enter">
<label>Passphrase <input type="password" name="passphrase" autocomplete="off" autofocus required></label>
<button type="submit">Enter</button>
</form>`,
  );
