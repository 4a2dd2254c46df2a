'use client';
import { Link } from '@/ui/Link';
import { useCallback, useEffect, useState } from 'react';
import { send } from '@/ui/send';
import { useLive } from './live';

/** The way to one's own messages, with how many are new. */
export function NoticesLink() {
  const [many, setMany] = useState(0);
  const look = useCallback(() => {
    void send<{ many: number }>('/api/notices/unread', {}).then((sent) => sent.ok && setMany(sent.value.many));
  }, []);
  useEffect(look, [look]);
  useLive(({ what }) => (what === 'message' || what === 'gap') && look());
  return <Link href="/notices">{many > 0 ? `Notices (${many} new)` : 'Notices'}</Link>;
}
