import Link from 'next/link';
import '@/stations/start/start.css';

export default function NotFound() {
  return (
    <main className="home">
      <h1>Nothing stands here</h1>
      <p>
        This brief or page does not exist, or no longer. <Link href="/">All briefs</Link>
      </p>
    </main>
  );
}
