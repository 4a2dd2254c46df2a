import { Link } from '@/ui/Link';
import { Main } from '@/ui/Shell';

export default function NotFound() {
  return (
    <Main id="content">
      <h1>There is nothing at this address</h1>
      <p>
        The page or collection may have been renamed or taken out. <Link href="/">Go to the shelf</Link> and look for it there.
      </p>
    </Main>
  );
}
