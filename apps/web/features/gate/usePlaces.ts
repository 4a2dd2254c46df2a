import type { Problem } from '@inkwell/review';
import { useEffect, useState } from 'react';
import { send } from '@/ui/send';

export interface Place {
  place: string;
  title: string;
}

/** The places of a host, once it has answered; `host`: its number, '' for none. */
export function usePlaces(host: string): { places: readonly Place[]; problem: Problem | null } {
  const [told, setTold] = useState<{ places: readonly Place[]; problem: Problem | null }>({ places: [], problem: null });
  useEffect(() => {
    if (host === '') return;
    let left = false;
    void send<Place[]>('/api/hosts/places', { host: Number(host) }).then((sent) => {
      if (!left) setTold(sent.ok ? { places: sent.value, problem: null } : { places: [], problem: sent.problem });
    });
    return () => {
      left = true;
    };
  }, [host]);
  return told;
}
