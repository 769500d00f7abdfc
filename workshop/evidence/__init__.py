"""The evidence in the workshop: oil reports, mistrust, causes, remedies and the report sent."""
