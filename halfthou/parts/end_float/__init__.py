"""The end float of the crank: how far it can be pushed to and fro against its thrust faces."""

from halfthou.parts.end_float.trade import EndFloat
