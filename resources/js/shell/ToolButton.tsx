import type { ReactNode } from 'react';

export function ToolButton({ label, children, disabled, onClick }: { label: string; children: ReactNode; disabled?: boolean; onClick: () => void }) {
    return (
        <button
            type="button"
            aria-label={label}
            title={label}
            disabled={disabled}
            onClick={onClick}
            className="flex items-center gap-1 px-1.5 py-1 hover:bg-well disabled:opacity-35"
        >
            {children}
        </button>
    );
}
