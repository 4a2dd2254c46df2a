'use client';
import type { SigningRules } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';

interface SigningProps {
  rules: SigningRules;
  onClose(): void;
  ask(address: string, wish: object): Promise<boolean>;
}

/** What the house asks before a page is signed off. */
export function SigningSheet({ rules, onClose, ask }: SigningProps) {
  const [wish, setWish] = useState<SigningRules>({
    signatures: rules.signatures,
    fixerMaySign: rules.fixerMaySign,
    looksNeeded: rules.looksNeeded,
  });
  return (
    <Sheet title="How pages are signed" open onClose={onClose}>
      <p>It holds for pages that are signed from now on. Sign-offs in force stay so.</p>
      <Choice
        label="Signed by"
        value={String(wish.signatures)}
        onChange={(value) => setWish({ ...wish, signatures: Number(value) })}
        options={[
          { value: '1', label: 'one person' },
          { value: '2', label: 'two people' },
        ]}
      />
      <Tick
        label="Somebody who worked on the page may sign it"
        on={wish.fixerMaySign}
        onChange={(fixerMaySign) => setWish({ ...wish, fixerMaySign })}
      />
      <Tick
        label="All that people look at must be ticked first"
        on={wish.looksNeeded}
        onChange={(looksNeeded) => setWish({ ...wish, looksNeeded })}
      />
      <Row>
        <Button $look="main" onPress={() => void ask('/api/gate/signing', wish).then((ok) => ok && onClose())}>
          Keep it so
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
