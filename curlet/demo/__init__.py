"""Made-up demo data: the wardrobe and print shop of The Paper Lantern Players."""
