#pragma once
struct Servo {
    void attach(int);
    void detach();
    bool attached();
    void writeMicroseconds(int);
};
