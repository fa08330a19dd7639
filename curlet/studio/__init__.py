"""What the application does below any interface, shared by the web and the command line."""
