import type { FullConfig } from '@playwright/test';
import { signedInAs } from './signIn';

/** Every test begins signed in as the demo's reviewer, but those that say otherwise. */
export default async function globalSetup({ projects: [project] }: FullConfig): Promise<void> {
  const { baseURL, storageState } = project!.use;
  await signedInAs('ines-calder', baseURL!, storageState as string);
}
