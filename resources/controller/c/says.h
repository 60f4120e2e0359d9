// What the program says while it runs, and what it is told by hand.
#ifndef SAYS_H
#define SAYS_H

void says_hello(void);  // which program this is
void says_listen(void); // whether it is told something

#endif
