import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';

/** A sheet laid over the page. */
export function Sheet({
    open,
    onClose,
    title,
    wide = false,
    children,
}: {
    open: boolean;
    onClose: () => void;
    title: string;
    wide?: boolean;
    children: ReactNode;
}) {
    return (
        <Dialog open={open} onClose={onClose} className="relative z-20">
            <div className="fixed inset-0 bg-ink/40" aria-hidden="true" />
            <div className="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-[6vh]">
                <DialogPanel className={`w-full ${wide ? 'max-w-5xl' : 'max-w-xl'} border border-line bg-sheet p-5`}>
                    <DialogTitle className="mb-3 text-[1.15rem] font-semibold">{title}</DialogTitle>
                    {children}
                </DialogPanel>
            </div>
        </Dialog>
    );
}
