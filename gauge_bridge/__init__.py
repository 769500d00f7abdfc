"""The gauge bridge: reads the data ports of gauges and hands every line to the workshop's server.

A process of its own. It decides nothing: what a line means, and whether it becomes a reading, is the server's.
"""
