#pragma once
struct Kept {
    template <class T> void put(int, const T &) {}
    template <class T> void get(int, T &) {}
};
static Kept EEPROM;
