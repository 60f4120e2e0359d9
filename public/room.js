// The room that was chosen is there before anything is drawn: nothing flashes. Written by resources/js/state/room.ts.
try {
    const room = JSON.parse(localStorage.getItem('brookstone-room') ?? '{}').state?.room;
    if (room === 'dark' || room === 'light') {
        document.documentElement.dataset.room = room;
    }
} catch {
    // a browser that keeps nothing is in the room of its system
}
