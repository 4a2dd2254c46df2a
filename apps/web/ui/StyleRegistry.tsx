'use client';
import { useServerInsertedHTML } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';

/** Sends the styles of server-rendered components in the first answer, under the page's nonce. */
export function StyleRegistry({ nonce, children }: { nonce: string; children: ReactNode }) {
  // A refresh of server components brings a new nonce, which the loaded document would refuse: keep the first.
  const [first] = useState(nonce);
  const [sheet] = useState(() => (typeof window === 'undefined' ? new ServerStyleSheet({ nonce: first }) : null));
  useServerInsertedHTML(() => {
    if (!sheet) return null;
    const styles = sheet.getStyleElement();
    sheet.instance.clearTag();
    return <>{styles}</>;
  });
  return sheet ? <StyleSheetManager sheet={sheet.instance}>{children}</StyleSheetManager> : children;
}
