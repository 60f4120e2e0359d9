import { Link } from 'react-router';

export function NotThere({ what }: { what: string }) {
    return (
        <main className="p-10">
            <h1 className="text-xl">{what}</h1>
            <p className="mt-2">
                <Link className="text-accent underline" to="/">
                    To the shelf
                </Link>
            </p>
        </main>
    );
}
