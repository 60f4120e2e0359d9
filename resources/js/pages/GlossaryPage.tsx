import { Plain } from '../shell/Plain';
import { TERMS, termId } from '../walk/terms';

/** The trade's words. */
export function GlossaryPage() {
    return (
        <Plain title="Glossary">
            <main className="mx-auto max-w-4xl px-6 py-5">
                <h1 className="text-[1.5rem]">Glossary</h1>
                <p className="text-quiet">The words of the trade as they are used here.</p>
                <dl className="mt-4 grid grid-cols-[10rem_1fr] border-t border-line">
                    {TERMS.map(({ word, says }) => (
                        <div key={word} id={termId(word)} className="contents">
                            <dt className="border-b border-line py-2 font-semibold">{word}</dt>
                            <dd className="border-b border-line py-2">{says}</dd>
                        </div>
                    ))}
                </dl>
            </main>
        </Plain>
    );
}
