/** How Debian's Chromium is started everywhere: without a window, and asking for nothing by itself. */
export const CHROMIUM = {
  executablePath: process.env.INKWELL_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
