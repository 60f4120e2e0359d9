import { useBuild } from '../state/BuildContext';
import { useSaving } from '../state/saving';

/** Says clearly when something is not saved, and what can be done. */
export function SavingNotice() {
    const { saver } = useBuild();
    const { status, message, set } = useSaving();
    if (status === 'saved' || status === 'saving') {
        return null;
    }
    return (
        <div role="alert" className="flex items-center gap-3 border-b border-fails bg-fails-soft px-4 py-2">
            <p className="flex-1">
                {message} {status === 'offline' && 'What you typed is kept here and saved as soon as it can be.'}
                {status === 'overtaken' && 'Your last change is still here.'}
            </p>
            {status === 'overtaken' && (
                <>
                    <NoticeButton onClick={() => void saver.applyOnTop()}>Put mine on top</NoticeButton>
                    <NoticeButton onClick={() => void saver.letGo()}>Let mine go</NoticeButton>
                </>
            )}
            {status === 'refused' && <NoticeButton onClick={() => set('saved')}>Close</NoticeButton>}
        </div>
    );
}

function NoticeButton({ children, onClick }: { children: string; onClick: () => void }) {
    return (
        <button type="button" className="border border-ink bg-well px-3 py-0.5" onClick={onClick}>
            {children}
        </button>
    );
}
