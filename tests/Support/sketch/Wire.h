#pragma once
#include <stdint.h>
struct Bus {
    void begin();
    void beginTransmission(uint8_t);
    void write(uint8_t);
    void endTransmission();
    void requestFrom(uint8_t, uint8_t);
    int read();
};
extern Bus Wire;
