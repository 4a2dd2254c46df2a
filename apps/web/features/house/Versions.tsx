'use client';
import type { HouseShown, StandardVersion } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { When } from '@/ui/When';
import { differences, type Standard } from './differences';

/** Versions told until more are asked for. */
const FEW = 8;

interface VersionsProps {
  shown: HouseShown;
  onGoBack(standard: Standard): void;
}

/** The versions there were, what each changed, and the way back to one: it is put into the form, and saved as the newest. */
export function Versions({ shown: { versions, maySet }, onGoBack }: VersionsProps) {
  const [all, setAll] = useState(false);
  return (
    <section aria-labelledby="versions-heading">
      <h2 id="versions-heading">Versions</h2>
      <ol>
        {versions.slice(0, all ? versions.length : FEW).map((version, nth) => (
          <li key={version.version}>
            {`${version.version}, by ${version.by}, `}
            <When at={version.at} />
            {nth > 0 && maySet && (
              <Button $look="quiet" onPress={() => onGoBack(version)}>
                {`Back to ${version.version}`}
              </Button>
            )}
            {versions[nth + 1] && <Changed before={versions[nth + 1]!} after={version} />}
          </li>
        ))}
      </ol>
      {!all && versions.length > FEW && (
        <Button $look="quiet" onPress={() => setAll(true)}>
          Earlier versions
        </Button>
      )}
    </section>
  );
}

function Changed({ before, after }: { before: StandardVersion; after: StandardVersion }) {
  const all = differences(before, after);
  if (all.length === 0) return null;
  return (
    <details>
      <summary>{`What version ${after.version} changed (${all.length})`}</summary>
      <ul>
        {all.map((one) => (
          <li key={one.about}>{`${one.about}: ${one.before || 'as usual'} → ${one.after || 'as usual'}`}</li>
        ))}
      </ul>
    </details>
  );
}
