import { Button } from '@/ui/design/Button';
import { Link } from '@/ui/shell/Link';

export default function NotFound() {
  return (
    <main className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-4 p-6">
      <h1 className="text-display">There is nothing here</h1>
      <p className="text-bench">The page does not exist, or it belongs to another class.</p>
      <div>
        <Button asChild look="main" size="roomy">
          <Link href="/">Go to Today</Link>
        </Button>
      </div>
    </main>
  );
}
