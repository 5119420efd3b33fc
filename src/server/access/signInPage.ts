const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign]!);

/** The page that asks for the passphrase: a plain form, which needs no script. `next`: where it leads. */
export function signInPage({ next, trouble }: { next: string; trouble?: string }): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Fanfare: sign in</title>
    <link rel="stylesheet" href="/sign-in.css" />
  </head>
  <body>
    <main>
      <h1>Fanfare</h1>
      <form method="post" action="/sign-in">
        <label for="passphrase">Passphrase of this bench</label>
        <input id="passphrase" name="passphrase" type="password" autocomplete="current-password" required autofocus />
        <input type="hidden" name="next" value="${escaped(next)}" />
        ${trouble ? `<p role="alert">${escaped(trouble)}</p>` : ''}
        <button type="submit">Open the bench</button>
      </form>
      <p>It was set where the bench was started, as FANFARE_PASSPHRASE.</p>
    </main>
  </body>
</html>
`;
}

export const SIGN_IN_STYLE = `
:root { color-scheme: light dark; }
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #d9d9d9; color: #1b1b1b;
  font: 17px/1.5 system-ui, sans-serif; }
main { box-sizing: border-box; width: min(24rem, 94vw); padding: 1.5rem; background: #f2f2f2; border: 1px solid #a8a8a8; border-radius: 6px; }
h1 { margin: 0 0 1rem; font-size: 1.6rem; letter-spacing: 0.02em; }
label { display: block; font-weight: 600; }
input { box-sizing: border-box; width: 100%; min-height: 48px; margin: 0.4rem 0 0.8rem; padding: 0 0.7rem; font: inherit;
  color: inherit; background: #fff; border: 1px solid #777; border-radius: 4px; }
input[type="hidden"] { display: none; }
button { min-height: 48px; padding: 0 1.2rem; font: inherit; font-weight: 600; color: #1b1b1b; background: #c8a24a;
  border: 1px solid #7d6224; border-radius: 4px; cursor: pointer; }
:focus-visible { outline: 3px solid #1b1b1b; outline-offset: 2px; }
[role="alert"] { margin: 0 0 0.8rem; padding: 0.5rem 0.7rem; border-left: 4px solid #a3321f; background: #fff; }
main > p { margin: 1rem 0 0; color: #4a4a4a; font-size: 0.9rem; }
@media (prefers-color-scheme: dark) {
  body { background: #2a2a2a; color: #ececec; }
  main { background: #363636; border-color: #5a5a5a; }
  input, [role="alert"] { background: #222; border-color: #8a8a8a; }
  :focus-visible { outline-color: #ececec; }
  main > p { color: #bdbdbd; }
}
`;
