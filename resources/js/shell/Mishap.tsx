import { Component, type ReactNode } from 'react';

interface Props {
    /** The address: with another one it is tried again. */
    place: string;
    children: ReactNode;
}

/** A page that cannot be drawn says so, in place of an empty screen; what was typed and saved is not touched by it. */
export class Mishap extends Component<Props, { wrong: Error | null }> {
    override state = { wrong: null as Error | null };

    static getDerivedStateFromError(wrong: unknown) {
        return { wrong: wrong instanceof Error ? wrong : new Error(String(wrong)) };
    }

    /** Another page may be drawn. */
    override componentDidUpdate(before: Props) {
        if (before.place !== this.props.place && this.state.wrong !== null) this.setState({ wrong: null });
    }

    override render() {
        const { wrong } = this.state;
        if (wrong === null) return this.props.children;
        return (
            <main role="alert" className="mx-auto max-w-2xl px-6 py-10">
                <h1 className="text-[1.5rem]">This page could not be drawn</h1>
                <p className="mt-2">Nothing that was saved is lost. Load the page again; if it happens again, go to another page and on from there.</p>
                <p className="narrow mt-2 text-quiet">What went wrong: {wrong.message}</p>
                <p className="mt-4 flex gap-3">
                    <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => window.location.reload()}>
                        Load it again
                    </button>
                    <a className="border border-line bg-sheet px-3 py-1" href="/">
                        To the shelf
                    </a>
                </p>
            </main>
        );
    }
}
