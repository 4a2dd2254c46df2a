'use client';

/** Shown when even the layout fails: plain markup, no styles to rely on. */
export default function GlobalError() {
  return (
    <html lang="en">
      <head>
        <title>Inkwell Check cannot be shown</title>
      </head>
      <body>
        <main>
          <h1>Inkwell Check cannot be shown just now</h1>
          <p>
            Something went wrong before the screen could be made. What is stored is untouched. Load the page again; if it stays so, tell
            whoever looks after this server.
          </p>
        </main>
      </body>
    </html>
  );
}
