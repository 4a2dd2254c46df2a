import pg from 'pg';

/** What was told: pages of a collection that changed, a message somebody is sent, or who is on a page. */
export type Told =
  | { what: 'pages'; collection: number; pages: number[] }
  | { what: 'here'; collection: number; pages: number[] }
  | { what: 'message'; person: string };

/** How long is waited before a connection that was lost is sought again, in ms. */
const AGAIN_MS = 2_000;

/**
 * Listens to what this database tells, on a connection of its own, until it is stopped. A connection that is lost is made again;
 * `onListening` says so: meanwhile anything may have happened.
 */
export function listenTo(url: string, onTold: (told: Told) => void, onListening: (again: boolean) => void): { stop(): Promise<void> } {
  let client: pg.Client | null = null;
  let stopped = false;
  let listened = false;
  const connect = async (): Promise<void> => {
    const own = new pg.Client({ connectionString: url, application_name: 'inkwell live' });
    client = own;
    let lost = false;
    const again = () => {
      if (lost || stopped) return;
      lost = true;
      void own.end().catch(() => undefined);
      setTimeout(() => void connect(), AGAIN_MS).unref();
    };
    own.on('error', again);
    own.on('end', again);
    own.on('notification', ({ payload }) => payload !== undefined && onTold(JSON.parse(payload) as Told));
    try {
      await own.connect();
      await own.query('listen inkwell');
      onListening(listened);
      listened = true;
    } catch {
      again();
    }
  };
  void connect();
  return {
    async stop() {
      stopped = true;
      await client?.end().catch(() => undefined);
    },
  };
}
